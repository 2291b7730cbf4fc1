import type { Piece } from '@/core/codes/schemes/parse';

/** A code cut into its segments, each underlined, with its name and meaning under it. */
export function CodePieces({ pieces }: { pieces: Piece[] }) {
  return (
    <dl className="flex flex-wrap gap-x-1.5 gap-y-2">
      {pieces
        .filter(({ text }) => text !== '')
        .map(({ name, text, at, says }) => (
          <div key={at} className="flex min-w-10 flex-col">
            <dt className="order-2 border-t-2 border-accent pt-0.5 text-[12px] leading-tight text-soft">{name}</dt>
            <dd className="order-1 font-mono text-[20px] leading-tight">{text}</dd>
            <dd className="order-3 max-w-28 text-[13px] leading-tight">{says === text ? '' : says}</dd>
          </div>
        ))}
    </dl>
  );
}
