'use client';
import { useEffect } from 'react';
import { pressAgain } from './pressAgain';

/** Keys pressed before a part is there wait for it: they were meant for it, and must not answer what lies behind it. */
export function HeldKeys() {
  useEffect(() => {
    const held: KeyboardEvent[] = [];
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || /^F\d/.test(event.key)) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      // A key that is only held down was not pressed for what comes.
      if (!event.repeat) held.push(event);
    };
    const end = () => {
      window.removeEventListener('keydown', onKey, true);
      window.removeEventListener('pointerdown', giveUp, true);
    };
    // Whoever points at something meanwhile has turned to what is there: what the keys were meant for is left.
    const giveUp = () => {
      held.length = 0;
      end();
    };
    window.addEventListener('keydown', onKey, true);
    window.addEventListener('pointerdown', giveUp, true);
    return () => {
      // Once the part has taken the focus; keys that come until then still wait their turn.
      setTimeout(() => {
        end();
        for (const key of held) pressAgain(key);
      });
    };
  }, []);
  return null;
}
