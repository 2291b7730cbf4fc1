import type { ReactNode } from 'react';

/** A part of a page of records, under its name. */
export function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="grid content-start gap-2 border-t pt-3">
      <h2 className="text-[15px] font-semibold">{title}</h2>
      {children}
    </section>
  );
}
