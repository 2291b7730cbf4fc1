'use client';
import { lazy, Suspense, useEffect, useState } from 'react';
import type { DropProps } from './DropZone';

const DropZone = lazy(async () => ({ default: (await import('./DropZone')).DropZone }));

/** A drop zone whose script, which knows every type of file there is, is fetched when something is first dragged in. */
export function DropArea(props: DropProps) {
  const [dragged, setDragged] = useState(false);
  useEffect(() => {
    const onEnter = () => setDragged(true);
    // What is let go before the zone is there must not open in place of the page.
    const onOver = (event: DragEvent) => event.preventDefault();
    document.addEventListener('dragenter', onEnter, { once: true });
    document.addEventListener('dragover', onOver);
    document.addEventListener('drop', onOver);
    return () => {
      document.removeEventListener('dragenter', onEnter);
      document.removeEventListener('dragover', onOver);
      document.removeEventListener('drop', onOver);
    };
  }, []);
  const plain = <div>{props.children}</div>;
  if (!dragged) return plain;
  return (
    <Suspense fallback={plain}>
      <DropZone {...props} />
    </Suspense>
  );
}
