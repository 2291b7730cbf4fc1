'use client';
import { useState } from 'react';
import { SUPPORT_OBSERVATIONS, type Support } from '@/core/checks/check';
import { formatDay } from '@/core/dates/day';
import { follow, partOf, type Statement, statedParts, valueWords } from '@/core/releases/statement';
import { Button } from '../../controls/Button';
import { LabelledChoice } from '../../controls/LabelledChoice';
import { RemoveButton } from '../../controls/RemoveButton';
import { TextField } from '../../controls/TextField';
import { Tick } from '../../controls/Tick';
import { EditorPart } from '../../records/EditorPart';
import { OtherValue, otherValueOf } from './OtherValue';
import { orNone, type ReleasePartProps } from './releasePart';

const SUPPORTS = (Object.keys(SUPPORT_OBSERVATIONS) as Support[]).map((value) => ({ value, label: value }));

/** Who says what of the record's parts: what agrees with it, and what stands against it until somebody decides. */
export function StatementsPart({ release, set, today }: Pick<ReleasePartProps, 'release' | 'set'> & { today: string }) {
  const statements = release.statements ?? [];
  const parts = statedParts(release);
  const nameOf = (about: string) => parts.find((part) => part.about === about)?.name ?? about;
  const [about, setAbout] = useState('releaseDate');
  const [source, setSource] = useState('');
  const [support, setSupport] = useState<Support>('one source');
  const [otherwise, setOtherwise] = useState(false);
  const [text, setText] = useState('');
  const says = otherwise ? otherValueOf(release, about, text) : undefined;
  const ready = source.trim() !== '' && (!otherwise || says !== undefined);
  const setStatements = (next: Statement[]) => set({ statements: orNone(next) });
  const add = () => {
    setStatements([
      ...statements,
      { about, source: source.trim(), on: today, support, ...(otherwise ? { says } : {}) },
    ]);
    setSource('');
    setText('');
    setOtherwise(false);
  };
  const decide = (at: number) =>
    set(follow(release, at, `${(statements[at] as Statement).source} was followed, ${formatDay(today)}`));
  return (
    <EditorPart id="statements" title="Who says so" says="beside the record’s own source">
      <ul>
        {statements.map((statement, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: statements have no name of their own
          <li key={i} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b py-1.5">
            <span className="w-44">{nameOf(statement.about)}</span>
            <span className="min-w-0 grow basis-72">
              <strong className="font-semibold">{statement.source}</strong>
              <span className="text-soft">
                , {formatDay(statement.on)}, {statement.support}
              </span>
              {statement.says === undefined ? (
                <span className="block text-[13px] text-soft">says the same as the record</span>
              ) : (
                <span className="block text-[13px]">
                  says <strong className="font-semibold">{valueWords(statement.says)}</strong>; the record says{' '}
                  {valueWords(partOf(release, statement.about))}
                  {statement.setAside && <span className="text-soft"> · set aside: {statement.setAside}</span>}
                </span>
              )}
            </span>
            {statement.says !== undefined && (
              <span className="flex gap-2">
                <Button onClick={() => decide(i)}>Follow it</Button>
                {!statement.setAside && (
                  <Button
                    onClick={() =>
                      setStatements(
                        statements.with(i, { ...statement, setAside: `the record was kept to, ${formatDay(today)}` }),
                      )
                    }
                  >
                    Keep to the record
                  </Button>
                )}
              </span>
            )}
            <RemoveButton
              label={`Remove what ${statement.source} says of ${nameOf(statement.about)}`}
              onClick={() => setStatements(statements.toSpliced(i, 1))}
            />
          </li>
        ))}
      </ul>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <LabelledChoice
          label="Of the"
          value={about}
          options={parts.map((part) => ({ value: part.about, label: part.name }))}
          onChange={(next) => {
            setAbout(next);
            setText('');
          }}
        />
        <TextField
          label="who says so"
          wide
          maxLength={200}
          placeholder="the maker’s catalogue of spring"
          value={source}
          onChange={({ target }) => setSource(target.value)}
        />
        <LabelledChoice label="how well supported" value={support} options={SUPPORTS} onChange={setSupport} />
        <Tick label="says otherwise" checked={otherwise} onChange={setOtherwise} />
        {otherwise && <OtherValue release={release} about={about} text={text} onChange={setText} />}
        <Button disabled={!ready} onClick={add}>
          Add
        </Button>
      </div>
    </EditorPart>
  );
}
