'use client';
import { useState } from 'react';
import { type DateOrder, ORDER_NAMES } from '@/core/dates/dateOrder';
import type { Brought } from '@/core/library/brought';
import {
  CSV_FIELDS,
  type CsvField,
  type CsvMapping,
  datesIn,
  guessDateOrder,
  mappingProblems,
  namedAlike,
  unknownMakers,
} from '@/core/library/csvColumns';
import { Button, Key } from '../controls/Button';
import { Choice } from '../controls/Choice';
import { LabelledChoice } from '../controls/LabelledChoice';
import { TextField } from '../controls/TextField';
import { useKeys } from '../controls/useKeys';
import { Part } from '../records/Part';

const PASSED_OVER = 'passed over';
const FIELDS = [
  { value: PASSED_OVER, label: PASSED_OVER },
  ...Object.entries(CSV_FIELDS).map(([value, label]) => ({ value, label })),
];
const ORDERS = (['YMD', 'DMY', 'MDY'] as const).map((value) => ({ value, label: ORDER_NAMES[value] }));
/** What is said for all rows where no column does. */
const FOR_ALL = ['maker', 'kind', 'chart'] as const;

/** What each column of a table holds: said once, and remembered for the next table with these headings. */
export function MappingForm({
  brought,
  onBack,
  onRead,
}: {
  brought: Extract<Brought, { format: 'csv' }>;
  onBack: () => void;
  onRead: (mapping: CsvMapping) => void;
}) {
  const [mapping, setMapping] = useState(brought.mapping);
  const { columns, fixed } = mapping;
  const wrong = mappingProblems(mapping);
  const nobody = columns.includes('maker') || brought.choices.maker.length > 0 ? [] : [{ name: '', code: '' }];
  const strangers = [...unknownMakers(mapping, brought.rows, brought.choices.maker), ...nobody];
  const setColumn = (at: number, field: string) => {
    const next = columns.with(at, field === PASSED_OVER ? null : (field as CsvField));
    setMapping({
      ...mapping,
      columns: next,
      dateOrder: mapping.dateOrder ?? guessDateOrder(datesIn(next, brought.rows)),
    });
  };
  useKeys('enter', () => wrong.length === 0 && onRead(mapping));
  return (
    <div className="grid gap-5">
      <Part title={`What the columns of ${brought.name} hold`}>
        <p className="text-soft">
          {brought.remembered
            ? 'As it was said for the last table with these headings.'
            : 'Guessed by their headings. It is remembered for the next table with these headings.'}
        </p>
        {namedAlike(brought.headings).map(({ name, count }) => (
          <p key={name} className="text-doubt">
            {count} columns are called “{name}”: look which of them is meant.
          </p>
        ))}
        <div className="overflow-x-auto">
          <table className="w-full border-collapse border-y bg-sheet text-[15px]">
            <thead>
              <tr className="border-b text-left text-[13px] text-soft">
                <th scope="col" className="w-56 px-3 py-1 font-normal">
                  Heading
                </th>
                <th scope="col" className="w-60 py-1 font-normal">
                  holds the
                </th>
                <th scope="col" className="py-1 font-normal">
                  First rows
                </th>
              </tr>
            </thead>
            <tbody>
              {brought.headings.map((heading, i) => (
                <tr key={heading} className="border-b">
                  <th scope="row" className="px-3 py-1 text-left font-semibold">
                    {heading}
                  </th>
                  <td className="py-1">
                    <Choice
                      label={`What ${heading} holds`}
                      value={columns[i] ?? PASSED_OVER}
                      options={FIELDS}
                      onChange={(field) => setColumn(i, field)}
                    />
                  </td>
                  <td className="max-w-0 truncate py-1 font-mono text-[14px] text-soft">
                    {brought.rows
                      .slice(0, 4)
                      .map((cells) => cells[i])
                      .join('  ·  ')}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </Part>
      <Part title="What holds for all rows">
        <div className="flex flex-wrap items-end gap-4">
          {FOR_ALL.filter((field) => !columns.includes(field)).map((field) => (
            <LabelledChoice
              key={field}
              label={CSV_FIELDS[field]}
              value={fixed[field] ?? ''}
              options={brought.choices[field].map((name) => ({ value: name, label: name }))}
              onChange={(name) => setMapping({ ...mapping, fixed: { ...fixed, [field]: name } })}
            />
          ))}
          {columns.includes('price') && !columns.includes('currency') && (
            <TextField
              label="currency of the price"
              className="w-24 font-mono"
              maxLength={3}
              value={fixed.currency ?? ''}
              onChange={({ target }) =>
                setMapping({ ...mapping, fixed: { ...fixed, currency: target.value.toUpperCase() } })
              }
            />
          )}
          {columns.includes('price') && !columns.includes('market') && (
            <TextField
              label="market of the price"
              className="w-44"
              maxLength={40}
              value={fixed.market ?? ''}
              onChange={({ target }) => setMapping({ ...mapping, fixed: { ...fixed, market: target.value } })}
            />
          )}
          {columns.includes('releaseDate') && (
            <LabelledChoice
              label="dates are written"
              value={mapping.dateOrder ?? ''}
              options={ORDERS}
              onChange={(dateOrder) => setMapping({ ...mapping, dateOrder: dateOrder as DateOrder })}
            />
          )}
          <TextField
            label="The table comes from"
            wide
            maxLength={200}
            value={mapping.source}
            onChange={({ target }) => setMapping({ ...mapping, source: target.value })}
          />
        </div>
      </Part>
      <ul className="text-differs">
        {wrong.map((sentence) => (
          <li key={sentence}>{sentence}</li>
        ))}
      </ul>
      {strangers.length > 0 && (
        <ul className="grid gap-1">
          {strangers.map(({ name, code }) => (
            <li key={name}>
              {name
                ? `“${name}” is not in the records, and rows of an unknown maker are refused.`
                : 'No maker is known yet.'}{' '}
              <a
                href={`/makers/new?${new URLSearchParams({ onward: '/library', called: name, code })}`}
                target="_blank"
                rel="noreferrer"
                className="text-accent underline-offset-4 hover:underline"
              >
                Add {name || 'the maker'} in another window
              </a>
            </li>
          ))}
        </ul>
      )}
      <div className="flex gap-3">
        <Button look="act" disabled={wrong.length > 0} onClick={() => onRead(mapping)}>
          Read the table <Key>Enter</Key>
        </Button>
        <Button onClick={onBack}>Another file</Button>
      </div>
    </div>
  );
}
