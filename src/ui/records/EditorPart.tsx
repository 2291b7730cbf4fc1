import type { ReactNode } from 'react';

/** One part of a record's editor, under its name, with a few words on what is odd about it. */
export function EditorPart({
  id,
  title,
  says,
  children,
}: {
  id: string;
  title: string;
  says?: ReactNode;
  children: ReactNode;
}) {
  return (
    <section id={id} className="scroll-mt-4" aria-labelledby={`${id}-title`}>
      <h2 id={`${id}-title`} className="mb-2 border-b pb-1 text-[15px] font-semibold">
        {title} {says && <span className="font-normal text-soft">{says}</span>}
      </h2>
      {children}
    </section>
  );
}
