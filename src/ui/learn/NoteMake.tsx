'use client';
import Link from 'next/link';
import { useState } from 'react';
import { leadingSize } from '@/core/crossread/context';
import { NAMED_FROM, notedAs } from '@/core/judgement/resemblance';
import { likeMakes, signsOf } from '@/core/library/copyFromCase';
import { useCaseBook, useStanding } from '../casebook/CaseBook';
import { Button } from '../controls/Button';
import { TextField } from '../controls/TextField';
import { Tick } from '../controls/Tick';
import { useMay } from '../people/Me';
import { EditorPart } from '../records/EditorPart';
import { recordId, useSaveRecord } from '../records/useSaveRecord';
import type { LearnFrom } from './LearnView';

/** A counterfeit is noted under its make, so that the next one is known again. */
export function NoteMake({ newest }: LearnFrom) {
  const { file, grounds, number } = useCaseBook();
  const { assessment } = useStanding();
  const { save, message, failed } = useSaveRecord();
  const mayDo = useMay();
  const [name, setName] = useState('');
  const [generation, setGeneration] = useState('');
  const [together, setTogether] = useState(true);
  if (!newest)
    return (
      <main className="mx-auto max-w-[1360px] px-5 py-5">
        <p>A make of copies belongs to a release, and this case names no record.</p>
      </main>
    );
  const size = leadingSize({ chart: grounds.chart, sizeKey: file.sizeKey });
  const signs = signsOf(assessment.findings, size);
  const makes = newest.body.copies ?? [];
  const like = likeMakes(newest.body, assessment.findings);
  const names = new Map(assessment.findings.map(({ check }) => [check.id, check.name]));
  // What the weighing takes it for comes first; a make that nobody named brings the other cases that look like it.
  const { resemblance } = assessment;
  const sure = resemblance && resemblance.p > NAMED_FROM ? resemblance : null;
  const resembled = sure ? notedAs(sure.make, makes) : undefined;
  const alike = sure && !resembled ? sure.make.cases.filter((each) => each !== number) : [];
  const sorted = makes.toSorted((a, b) => Number(b === resembled) - Number(a === resembled));
  const note = (make: { id: string; name: string; generation?: string }, others: string[] = []) =>
    void save(
      `/api/cases/${encodeURIComponent(number)}/make`,
      { make: { id: make.id, name: make.name, generation: make.generation }, alike: others, from: newest.revision },
      `/releases/${newest.body.id}`,
    );
  const fresh = recordId(`${name} ${generation}`);
  const taken = makes.some(({ id }) => id === fresh);
  return (
    <main className="mx-auto grid max-w-[1360px] grid-cols-[minmax(0,1fr)_24rem] gap-10 px-5 py-5 max-lg:grid-cols-1">
      <EditorPart id="signs" title="What gives it away" says={`${signs.length} signs`}>
        <ul>
          {signs.map(({ check, shows }) => (
            <li key={check} className="border-b py-1.5">
              {names.get(check) ?? check} <span className="text-soft">{shows}</span>
            </li>
          ))}
        </ul>
      </EditorPart>
      <aside className="grid content-start gap-5 self-start">
        {message && (
          <p role={failed ? 'alert' : 'status'} className={failed ? 'text-differs' : 'text-agrees'}>
            {message}
          </p>
        )}
        {makes.length > 0 && (
          <EditorPart id="makes" title={`Makes that are known of ${newest.body.name}`}>
            <ul>
              {sorted.map((make) => {
                const likeness = like.find((each) => each.make.id === make.id);
                const noted = make.cases.includes(number);
                return (
                  <li key={make.id} className="flex items-center justify-between gap-3 border-b py-1.5">
                    <span>
                      {make.name}
                      {make.generation && `, ${make.generation}`}
                      <span className="block text-[13px] text-soft">
                        {make === resembled && sure && `resembles it, ${Math.round(100 * sure.p)} % sure; `}
                        {likeness
                          ? `shows ${likeness.shown} of its ${make.signs.length} signs, ${likeness.notShown} are right here`
                          : 'none of its signs'}
                      </span>
                    </span>
                    <Button
                      look={make === resembled ? 'act' : 'plain'}
                      autoFocus={make === resembled}
                      disabled={noted || !mayDo('editRecords')}
                      onClick={() => note(make)}
                    >
                      {noted ? 'noted' : 'It is this one'}
                    </Button>
                  </li>
                );
              })}
            </ul>
          </EditorPart>
        )}
        <EditorPart id="new-make" title="A make that has no name yet">
          <form
            className="grid gap-3"
            onSubmit={(event) => {
              event.preventDefault();
              note({ id: fresh, name: name.trim(), generation: generation.trim() || undefined }, together ? alike : []);
            }}
          >
            <TextField
              label="The house calls it"
              autoFocus={!resembled}
              maxLength={60}
              placeholder="touching letters"
              value={name}
              onChange={({ target }) => setName(target.value)}
            />
            <TextField
              label="batch, where there are several"
              maxLength={40}
              placeholder="first"
              value={generation}
              onChange={({ target }) => setGeneration(target.value)}
            />
            {alike.length > 0 && (
              <div>
                <Tick
                  label={`with the ${alike.length} that it resembles, ${Math.round(100 * (sure?.p ?? 0))} % sure:`}
                  checked={together}
                  onChange={setTogether}
                />
                <p className="flex flex-wrap gap-x-3 pl-6">
                  {alike.map((each) => (
                    <Link key={each} className="whitespace-nowrap text-accent underline" href={`/case/${each}/verdict`}>
                      {each}
                    </Link>
                  ))}
                </p>
              </div>
            )}
            <div>
              <Button
                type="submit"
                look={resembled ? 'plain' : 'act'}
                disabled={fresh === '' || taken || !mayDo('editRecords')}
              >
                Note it
              </Button>
              {taken && <p className="mt-1 text-[13px] text-soft">A make of this name and batch is known above.</p>}
            </div>
          </form>
        </EditorPart>
      </aside>
    </main>
  );
}
