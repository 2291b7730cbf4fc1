'use client';
import { useEffect, useState } from 'react';
import { Button, Key } from '../controls/Button';
import { useKeys } from '../controls/useKeys';

const DIFFERING = 'td:has(> [data-mark="differs"])';
const cells = (): HTMLElement[] => [...document.querySelectorAll<HTMLElement>(DIFFERING)];

/** How many differing cells lie outside of what is scrolled to, and a key that goes from one to the next. */
export function OutOfSight() {
  const [outside, setOutside] = useState(0);
  useEffect(() => {
    const scroller = document.querySelector<HTMLElement>('[data-matrix]');
    if (!scroller) return;
    const count = () => {
      const view = scroller.getBoundingClientRect();
      const away = cells().filter((cell) => {
        const { left, right, top, bottom } = cell.getBoundingClientRect();
        return right > view.right + 4 || left < view.left || bottom > view.bottom + 4 || top < view.top;
      });
      setOutside(away.length);
    };
    let waiting = 0;
    const soon = () => {
      cancelAnimationFrame(waiting);
      waiting = requestAnimationFrame(count);
    };
    soon();
    scroller.addEventListener('scroll', soon, { passive: true });
    const changes = new MutationObserver(soon);
    changes.observe(scroller, { subtree: true, attributes: true, attributeFilter: ['data-mark'] });
    return () => {
      cancelAnimationFrame(waiting);
      scroller.removeEventListener('scroll', soon);
      changes.disconnect();
    };
  }, []);
  const next = () => {
    const all = cells();
    const at = all.findIndex((cell) => cell.contains(document.activeElement));
    const cell = all[(at + 1) % Math.max(1, all.length)];
    cell?.scrollIntoView({ block: 'center', inline: 'center' });
    (cell ?? document.body).focus();
  };
  useKeys('n', next);
  if (outside === 0) return null;
  return (
    <Button look="quiet" onClick={next}>
      {outside} {outside === 1 ? 'cell that differs is' : 'cells that differ are'} out of sight <Key>n</Key>
    </Button>
  );
}
