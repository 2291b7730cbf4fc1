'use client';
import { PencilLine, Plus } from 'lucide-react';
import Link from 'next/link';
import { RemoveButton } from '../../controls/RemoveButton';
import { Tick } from '../../controls/Tick';
import { EditorPart } from '../../records/EditorPart';
import type { ReleasePartProps } from './releasePart';

const LINK = 'inline-flex min-h-9 items-center gap-1.5 text-accent underline-offset-4 hover:underline';

/** Which checks of its kind are asked of a release, and which are its own. */
export function ChecksPart({
  release,
  kind,
  isKept,
  set,
}: ReleasePartProps & {
  /** Checks are edited on a page of their own, which a record that is not kept yet does not have. */
  isKept: boolean;
}) {
  const { checks } = release;
  const setChecks = (change: Partial<typeof checks>) => set({ checks: { ...checks, ...change } });
  const own = new Set(checks.add.map(({ id }) => id));
  const checkPath = (id: string) => `/releases/${release.id}/checks/${encodeURIComponent(id)}`;
  return (
    <>
      <EditorPart id="own-checks" title="Checks of its own">
        <ul>
          {checks.add.map(({ id, name, expected }) => (
            <li key={id} className="flex items-center gap-3 border-b">
              {isKept ? (
                <Link href={checkPath(id)} className={LINK}>
                  {name}
                </Link>
              ) : (
                <span>{name}</span>
              )}
              <span className="min-w-0 grow truncate text-[13px] text-soft">{expected}</span>
              <RemoveButton
                label={`Remove ${name}`}
                onClick={() => setChecks({ add: checks.add.filter((each) => each.id !== id) })}
              />
            </li>
          ))}
        </ul>
        {isKept ? (
          <Link href={checkPath('new')} className={LINK}>
            <Plus size={16} aria-hidden /> Add a check
          </Link>
        ) : (
          <p className="text-[13px] text-soft">Checks of its own can be added once the record is kept.</p>
        )}
      </EditorPart>
      <EditorPart
        id="checks"
        title={`Checks of ${kind.name.toLowerCase()}`}
        says="those without a tick are not asked of this release"
      >
        {kind.layers.map((layer) => {
          const inLayer = kind.checks.filter((check) => check.layer === layer.id);
          if (inLayer.length === 0) return null;
          return (
            <fieldset key={layer.id} className="border-b py-1">
              <legend className="float-left w-40 pt-2 pr-3 text-soft">{layer.name}</legend>
              <div className="grid grid-cols-[repeat(auto-fill,minmax(20rem,1fr))] gap-x-5">
                {inLayer.map(({ id, name }) => (
                  <div key={id} className="flex items-center">
                    <Tick
                      label={name}
                      checked={!checks.off.includes(id)}
                      onChange={(asked) =>
                        setChecks({ off: asked ? checks.off.filter((each) => each !== id) : [...checks.off, id] })
                      }
                    />
                    {isKept && !own.has(id) && (
                      <Link
                        href={checkPath(id)}
                        className="flex size-9 items-center justify-center text-soft hover:text-accent"
                        aria-label={`Own version of ${name}`}
                        title="An own version for this release"
                      >
                        <PencilLine size={15} aria-hidden />
                      </Link>
                    )}
                  </div>
                ))}
              </div>
            </fieldset>
          );
        })}
      </EditorPart>
    </>
  );
}
