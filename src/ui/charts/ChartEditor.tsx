'use client';
import { X } from 'lucide-react';
import { type KeyboardEvent, useRef, useState } from 'react';
import { checkChart } from '@/core/sizes/checkChart';
import type { SizeChart, SizeColumn } from '@/core/sizes/sizeChart';
import { LabelledChoice } from '../controls/LabelledChoice';
import { RemoveButton } from '../controls/RemoveButton';
import { TextField } from '../controls/TextField';
import { Tick } from '../controls/Tick';
import { AddLine } from '../records/AddLine';
import { drafted } from '../records/drafts';
import { EditorHead } from '../records/EditorHead';
import { RecordTabs } from '../records/RecordTabs';
import { SaveNotice } from '../records/SaveNotice';
import { recordId, useSaveRecord } from '../records/useSaveRecord';
import { copiedCells, freshColumn, gridOf, pasteInto, rowsOf } from './chartGrid';
import { NotchRows } from './NotchRows';
import { TryLabel } from './TryLabel';

const CELL =
  'h-9 w-full min-w-0 bg-transparent px-2 font-mono text-[16px] outline-none focus:bg-wash focus:shadow-[inset_0_0_0_2px_var(--accent)]';

function ChartForm({
  chart: kept,
  revision,
  makers,
}: {
  chart: SizeChart;
  /** 0 for a chart that is not kept yet. */
  revision: number;
  makers: { id: string; name: string }[];
}) {
  const [rest, setRest] = useState(kept);
  const [grid, setGrid] = useState(() => gridOf(kept));
  const table = useRef<HTMLTableElement>(null);
  const { save, message, failed } = useSaveRecord();
  const { columns } = grid;
  const nameOf = (column: string) => columns.find(({ id }) => id === column)?.name ?? '';
  const chart: SizeChart = { ...rest, columns, rows: rowsOf(grid) };
  const wrong = [
    ...(chart.name.trim() === '' ? ['It needs a name.'] : []),
    ...(columns.some(({ name }) => name.trim() === '') ? ['A column has no name.'] : []),
    ...(chart.rows.length === 0 ? ['It has no size yet.'] : []),
    ...(chart.rows.some(({ key }) => key === '') ? ['A size has no name; the first column is its name.'] : []),
    ...checkChart(chart),
  ];
  const keep = () => {
    const id = revision > 0 ? chart.id : recordId(`${chart.maker} ${chart.name}`);
    void save('/api/records', { kind: 'size-chart', body: { ...chart, id }, from: revision }, `/charts/${id}`);
  };

  const setColumn = (at: number, change: Partial<SizeColumn>) =>
    setGrid({ ...grid, columns: columns.map((column, i) => (i === at ? { ...column, ...change } : column)) });
  const removeColumn = (at: number) => {
    const left = columns.filter((_, i) => i !== at);
    setGrid({ columns: left, rows: grid.rows.map((cells) => cells.filter((_, i) => i !== at + 1)) });
  };
  const addRow = () => setGrid({ ...grid, rows: [...grid.rows, Array(columns.length + 1).fill('')] });
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>, row: number, column: number) => {
    const by = { Enter: 1, ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (!by) return;
    event.preventDefault();
    if (event.key === 'Enter' && row === grid.rows.length - 1) addRow();
    requestAnimationFrame(() =>
      table.current?.querySelector<HTMLInputElement>(`input[data-at="${row + by}/${column}"]`)?.focus(),
    );
  };
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-4">
      <RecordTabs />
      <EditorHead
        deed="editRecords"
        saveName="Save chart"
        back="/charts"
        wrong={wrong}
        onSave={keep}
        draft={chart}
        kept={{ revision, at: `/charts/${chart.id}/revisions` }}
      >
        <strong className="font-semibold">{rest.name || 'A new size chart'}</strong>
      </EditorHead>
      <div className="mb-4 flex flex-wrap items-end gap-3">
        <TextField
          label="Chart"
          wide
          autoFocus={revision === 0}
          placeholder="Court shoes"
          value={rest.name}
          onChange={(event) => setRest({ ...rest, name: event.target.value })}
        />
        <LabelledChoice
          label="Maker"
          value={rest.maker}
          options={makers.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={(maker) => setRest({ ...rest, maker })}
        />
        <Tick
          label="size printed mirrored, seen under UV"
          checked={rest.mirrored ?? false}
          onChange={(mirrored) => setRest({ ...rest, mirrored })}
        />
      </div>
      <div className="grid grid-cols-[minmax(0,1.8fr)_minmax(0,1fr)] gap-8 max-[1023px]:grid-cols-1">
        <section aria-label="Sizes" className="min-w-0">
          <div className="max-h-[62vh] overflow-auto border-y bg-sheet">
            <table ref={table} className="w-full border-separate border-spacing-0">
              <caption className="sr-only">Sizes down, systems across</caption>
              <thead>
                <tr className="[&>th]:sticky [&>th]:top-0 [&>th]:z-10 [&>th]:border-b [&>th]:bg-sheet">
                  <th scope="col" className="w-24 px-2 text-left align-bottom text-[13px] font-normal text-soft">
                    Size’s name
                  </th>
                  {columns.map((column, i) => (
                    <th key={column.id} scope="col" className="min-w-24 border-l p-1 align-bottom font-normal">
                      <div className="flex">
                        <input
                          aria-label={`Name of column ${i + 1}`}
                          value={column.name}
                          placeholder="US men"
                          onChange={(event) => setColumn(i, { name: event.target.value })}
                          className="h-9 w-full min-w-0 bg-transparent px-1 font-semibold outline-none focus:bg-wash"
                        />
                        <button
                          type="button"
                          aria-label={`Remove column ${column.name || i + 1}`}
                          title={
                            column.id === rest.leading ? 'Sizes go by it: let another column lead first' : undefined
                          }
                          disabled={column.id === rest.leading}
                          onClick={() => removeColumn(i)}
                          className="flex min-h-9 w-7 items-center justify-center text-soft hover:text-ink disabled:opacity-30"
                        >
                          <X size={14} aria-hidden />
                        </button>
                      </div>
                      <input
                        aria-label={`Other names of ${column.name}`}
                        title="Other names that labels use, with commas between"
                        defaultValue={column.aliases?.join(', ')}
                        placeholder="other names"
                        onBlur={(event) => {
                          const aliases = event.target.value
                            .split(',')
                            .map((each) => each.trim())
                            .filter(Boolean);
                          setColumn(i, { aliases: aliases.length > 0 ? aliases : undefined });
                        }}
                        className="h-7 w-full min-w-0 bg-transparent px-1 text-[13px] text-soft outline-none focus:bg-wash"
                      />
                      <label className="flex min-h-7 items-center gap-1.5 px-1 text-[13px] text-soft">
                        <input
                          type="radio"
                          name="leading"
                          className="accent-(--accent)"
                          checked={rest.leading === column.id}
                          onChange={() => setRest({ ...rest, leading: column.id })}
                        />
                        leads
                      </label>
                    </th>
                  ))}
                  <th scope="col" className="w-9">
                    <span className="sr-only">Remove</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {grid.rows.map((cells, row) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: a line of the grid is its place
                  <tr key={row} className="[&>td]:border-b">
                    {cells.map((text, column) => (
                      // biome-ignore lint/suspicious/noArrayIndexKey: a cell of the grid is its place
                      <td key={column} className={column > 0 ? 'border-l' : ''}>
                        <input
                          data-at={`${row}/${column}`}
                          aria-label={`${column === 0 ? 'Name' : columns[column - 1]?.name} of size ${cells[0] || row + 1}`}
                          value={text}
                          spellCheck={false}
                          autoComplete="off"
                          maxLength={20}
                          onKeyDown={(event) => onKeyDown(event, row, column)}
                          onChange={({ target: { value } }) => setGrid((old) => pasteInto(old, [[value]], row, column))}
                          onPaste={(event) => {
                            const copied = event.clipboardData.getData('text');
                            if (!/[\t\n]/.test(copied)) return;
                            event.preventDefault();
                            setGrid((old) => pasteInto(old, copiedCells(copied), row, column));
                          }}
                          className={CELL}
                        />
                      </td>
                    ))}
                    <td>
                      <RemoveButton
                        label={`Remove size ${cells[0] || row + 1}`}
                        disabled={grid.rows.length === 1}
                        onClick={() => setGrid({ ...grid, rows: grid.rows.filter((_, i) => i !== row) })}
                      />
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          <div className="mt-2 flex flex-wrap items-center gap-3">
            <AddLine onClick={addRow}>Add size</AddLine>
            <AddLine
              disabled={columns.length >= 12}
              onClick={() =>
                setGrid({ columns: [...columns, freshColumn(columns)], rows: grid.rows.map((cells) => [...cells, '']) })
              }
            >
              Add system
            </AddLine>
            <span className="text-[13px] text-soft">
              A table copied from a spreadsheet can be pasted into any cell.
            </span>
          </div>
        </section>
        <div className="grid min-w-0 content-start gap-6">
          <SaveNotice wrong={wrong} message={message} failed={failed} />
          {revision > 0 && rest.leading !== kept.leading && (
            <p className="text-doubt">
              Insole notches, and labels that print one size alone, are read in {nameOf(rest.leading)} from now on, not
              in {nameOf(kept.leading)}; so are those of open cases.
            </p>
          )}
          <TryLabel chart={chart} />
          <NotchRows
            notches={rest.notches ?? []}
            leading={nameOf(rest.leading)}
            onChange={(notches) => setRest({ ...rest, notches: notches.length > 0 ? notches : undefined })}
          />
        </div>
      </div>
    </main>
  );
}

/** A size chart as it is edited: one line a size, one column a system, filled by typing or from a spreadsheet. */
export const ChartEditor = drafted('chart', ChartForm);
