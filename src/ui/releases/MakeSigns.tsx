import type { KnownCopy } from '@/core/releases/knownCopy';

/** What gives a make away, the commonest first; what a single one of many copies showed is told when asked. */
export function MakeSigns({
  copy: { signs, cases },
  names,
}: {
  copy: Pick<KnownCopy, 'signs' | 'cases'>;
  /** Check id to its name. */
  names: ReadonlyMap<string, string>;
}) {
  const isRare = ({ cases: met }: KnownCopy['signs'][number]) => met === 1 && cases.length > 2;
  const rare = signs.filter(isRare);
  const line = ({ check, shows, cases: met }: KnownCopy['signs'][number]) => (
    <li key={check} className="flex gap-3">
      {met !== undefined && cases.length > 1 && (
        <span className="w-12 shrink-0 tabular-nums">
          {met} of {cases.length}
        </span>
      )}
      <span>
        {names.get(check) ?? check}: {shows}
      </span>
    </li>
  );
  return (
    <>
      <ul>{signs.filter((sign) => !isRare(sign)).map(line)}</ul>
      {rare.length > 0 && (
        <details>
          <summary className="cursor-pointer">{rare.length} more, met once each</summary>
          <ul>{rare.map(line)}</ul>
        </details>
      )}
    </>
  );
}
