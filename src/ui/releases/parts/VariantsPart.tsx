'use client';
import { X } from 'lucide-react';
import { answersOf } from '@/core/checks/answers';
import type { CheckDefinition } from '@/core/checks/check';
import { statesOf } from '@/core/releases/bonds';
import { freshNumber } from '@/core/releases/freshId';
import { MARKET_TRAIT } from '@/core/releases/market';
import { COMMON_TRAITS } from '@/core/releases/trait';
import type { Variant } from '@/core/releases/variantFit';
import { LabelledChoice } from '../../controls/LabelledChoice';
import { RemoveButton } from '../../controls/RemoveButton';
import { TextField } from '../../controls/TextField';
import { AddLine } from '../../records/AddLine';
import { EditorPart } from '../../records/EditorPart';
import { recordId } from '../../records/useSaveRecord';
import { ForbidsTable } from './ForbidsTable';
import type { ReleasePartProps } from './releasePart';
import { StatesCell } from './StatesCell';
import { TraitRows } from './TraitRows';

/** The traits in which genuine items may differ: those of every release, its own, and those that checks show. */
function traitNames({ release, kind }: Pick<ReleasePartProps, 'release' | 'kind'>): Map<string, string> {
  const shown = (check: CheckDefinition): [string, string][] => (check.trait ? [[check.trait, check.name]] : []);
  return new Map([
    ...[...COMMON_TRAITS, MARKET_TRAIT, ...(release.traits ?? [])].map(({ id, name }): [string, string] => [id, name]),
    ...[...kind.checks, ...release.checks.add].flatMap(shown),
  ]);
}

/** The genuine variants of a release: one line each, one column a trait, and below what they forbid. */
export function VariantsPart(props: ReleasePartProps) {
  const { release, kind, chart, set } = props;
  const { variants, factories } = release;
  const names = traitNames(props);
  const used = [...statesOf(variants).keys()];
  const nameOf = (trait: string) => names.get(trait) ?? trait.replaceAll('-', ' ');
  const free = [...names].filter(([id]) => !used.includes(id)).map(([value, label]) => ({ value, label }));
  const setVariant = (at: number, change: Partial<Variant>) =>
    set({ variants: variants.with(at, { ...(variants[at] as Variant), ...change }) });
  const setStates = (at: number, trait: string, states: string[] | null) => {
    const { [trait]: _, ...rest } = variants[at]?.traits ?? {};
    setVariant(at, { traits: states === null ? rest : { ...rest, [trait]: states } });
  };
  const without = (trait: string) =>
    variants.map((variant) => {
      const { [trait]: _, ...traits } = variant.traits;
      return { ...variant, traits };
    });
  const known = (trait: string): string[] => {
    if (trait === 'factory') return factories.map(({ code }) => code);
    if (trait === 'country') return [...new Set(factories.map(({ country }) => country))];
    const check = [...release.checks.add, ...kind.checks].find((each) => each.trait === trait);
    const answers = check ? answersOf(check).map(({ label }) => label) : [];
    return [...new Set([...(statesOf(variants).get(trait) ?? []), ...answers])];
  };
  const fromFactories = () =>
    set({
      variants: factories.map(({ code, country }) => ({
        id: recordId(code) || 'factory',
        name: `Factory ${code}`,
        traits: { factory: [code], country: [country] },
      })),
    });
  return (
    <EditorPart id="variants" title="Factories and variants" says="what genuine items may look like, by where and when">
      <div className="grid gap-4">
        <div className="grid gap-1">
          {factories.map(({ code, country }, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a factory has no name of its own while it is written
            <div key={i} className="flex items-end gap-3">
              <TextField
                label="Factory code"
                className="w-32 font-mono"
                maxLength={20}
                value={code}
                onChange={({ target }) => set({ factories: factories.with(i, { code: target.value, country }) })}
              />
              <TextField
                label="country"
                className="w-52"
                maxLength={60}
                value={country}
                onChange={({ target }) => set({ factories: factories.with(i, { code, country: target.value }) })}
              />
              <RemoveButton
                label={`Remove factory ${code}`}
                onClick={() => set({ factories: factories.toSpliced(i, 1) })}
              />
            </div>
          ))}
          <div className="flex flex-wrap gap-x-6">
            <AddLine onClick={() => set({ factories: [...factories, { code: '', country: '' }] })}>A factory</AddLine>
            {variants.length === 0 && factories.length > 0 && (
              <AddLine onClick={fromFactories}>One variant for each factory</AddLine>
            )}
          </div>
        </div>
        {variants.length > 0 && (
          <div className="overflow-x-auto">
            <table className="w-full border-collapse border-y bg-sheet text-[15px]">
              <caption className="sr-only">Variants down, traits across</caption>
              <thead>
                <tr className="border-b text-left align-bottom text-[13px] text-soft">
                  <th scope="col" className="min-w-56 px-2 py-1 font-normal">
                    Variant
                  </th>
                  {used.map((trait) => (
                    <th key={trait} scope="col" className="min-w-36 border-l py-1 pl-2 font-normal">
                      <span className="flex items-center justify-between">
                        {nameOf(trait)}
                        <button
                          type="button"
                          aria-label={`Take ${nameOf(trait)} out of the variants`}
                          className="flex size-7 items-center justify-center hover:text-ink"
                          onClick={() => set({ variants: without(trait) })}
                        >
                          <X size={14} aria-hidden />
                        </button>
                      </span>
                    </th>
                  ))}
                  <th scope="col" className="w-9">
                    <span className="sr-only">Remove</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {variants.map((variant, i) => (
                  <tr key={variant.id} className="border-b">
                    <td>
                      <input
                        aria-label={`Name of variant ${i + 1}`}
                        value={variant.name}
                        maxLength={80}
                        onChange={({ target }) => setVariant(i, { name: target.value })}
                        className="h-9 w-full bg-transparent px-2 font-semibold outline-none focus:bg-wash"
                      />
                    </td>
                    {used.map((trait) => (
                      <td key={trait} className="border-l">
                        <StatesCell
                          label={`${nameOf(trait)} of ${variant.name}`}
                          states={variant.traits[trait] ?? null}
                          known={known(trait)}
                          onChange={(states) => setStates(i, trait, states)}
                        />
                      </td>
                    ))}
                    <td>
                      <RemoveButton
                        label={`Remove ${variant.name}`}
                        onClick={() => set({ variants: variants.toSpliced(i, 1) })}
                      />
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        )}
        <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
          <AddLine
            onClick={() => {
              const n = freshNumber(
                'variant-',
                variants.map(({ id }) => id),
              );
              set({ variants: [...variants, { id: `variant-${n}`, name: `Variant ${n}`, traits: {} }] });
            }}
          >
            A variant
          </AddLine>
          {variants.length > 0 && free.length > 0 && (
            <LabelledChoice
              label="They differ in"
              value=""
              options={free}
              onChange={(trait) =>
                set({ variants: variants.map((each) => ({ ...each, traits: { ...each.traits, [trait]: [] } })) })
              }
            />
          )}
        </div>
        <TraitRows release={release} kind={kind} chart={chart} set={set} />
        <ForbidsTable variants={variants} nameOf={nameOf} />
      </div>
    </EditorPart>
  );
}
