'use client';
import { useState } from 'react';
import type { CheckDefinition, Drawing } from '@/core/checks/check';
import { Button } from '../controls/Button';
import { RemoveButton } from '../controls/RemoveButton';
import { TextField } from '../controls/TextField';
import { Tick } from '../controls/Tick';
import { CheckDrawing } from '../inspect/CheckDrawing';
import { AddLine } from '../records/AddLine';
import { drawingOfSvg, svgOfDrawing } from './svgDrawing';

const BLANK: Drawing = { lines: [{ d: 'M10 40 H110', thick: true }] };

function Side({ name, drawing, onChange }: { name: string; drawing: Drawing; onChange: (drawing: Drawing) => void }) {
  const [trouble, setTrouble] = useState('');
  const set = (at: number, change: Partial<Drawing['lines'][number]>) =>
    onChange({ lines: drawing.lines.map((line, i) => (i === at ? { ...line, ...change } : line)) });
  const read = async (file: File | undefined) => {
    if (!file) return;
    try {
      onChange(drawingOfSvg(await file.text()));
      setTrouble('');
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  return (
    <fieldset className="grid min-w-0 content-start gap-1">
      <legend className="text-[13px] text-soft">{name}: each line as an SVG path, in a box of 120 by 80</legend>
      {drawing.lines.map(({ d, thick, filled }, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a line's identity is its place
        <div key={i} className="flex items-center gap-3">
          <TextField
            label=""
            aria-label={`Line ${i + 1}, ${name}`}
            wide
            className="font-mono text-[13px]"
            value={d}
            maxLength={400}
            onChange={({ target }) => set(i, { d: target.value.replace(/[^MLHVCSQTAZmlhvcsqtaz0-9 ,.-]/g, '') })}
          />
          <Tick label="thick" checked={thick ?? false} onChange={(on) => set(i, { thick: on || undefined })} />
          <Tick label="filled" checked={filled ?? false} onChange={(on) => set(i, { filled: on || undefined })} />
          <RemoveButton
            label={`Remove line ${i + 1}, ${name}`}
            onClick={() => onChange({ lines: drawing.lines.filter((_, at) => at !== i) })}
          />
        </div>
      ))}
      <div className="flex flex-wrap items-center gap-2">
        <AddLine onClick={() => onChange({ lines: [...drawing.lines, { d: 'M10 40 H110' }] })}>Add line</AddLine>
        <label className="inline-flex min-h-9 cursor-pointer items-center rounded-sm border border-line bg-sheet px-3 focus-within:border-accent hover:border-accent">
          Read an SVG file
          <input
            type="file"
            accept=".svg,image/svg+xml"
            aria-label={`SVG file, ${name}`}
            className="sr-only"
            onChange={({ target }) => {
              void read(target.files?.[0]);
              target.value = '';
            }}
          />
        </label>
        <a
          href={`data:image/svg+xml;charset=utf-8,${encodeURIComponent(svgOfDrawing(drawing))}`}
          download={`${name}.svg`}
          className="inline-flex min-h-9 items-center px-2 text-accent underline-offset-4 hover:underline"
        >
          Save as SVG
        </a>
      </div>
      {trouble && (
        <p role="alert" className="text-differs">
          {trouble}
        </p>
      )}
    </fieldset>
  );
}

/** The schematic drawing of a shape or spacing, genuine and copied. */
export function DrawingEditor({
  drawing,
  onChange,
}: {
  drawing: CheckDefinition['drawing'];
  onChange: (drawing: CheckDefinition['drawing']) => void;
}) {
  if (!drawing)
    return (
      <div>
        <AddLine onClick={() => onChange({ genuine: BLANK, copy: BLANK })}>Add a drawing</AddLine>
      </div>
    );
  return (
    <div className="grid gap-3">
      <CheckDrawing drawing={drawing} />
      <Side name="genuine" drawing={drawing.genuine} onChange={(genuine) => onChange({ ...drawing, genuine })} />
      <Side name="copy" drawing={drawing.copy} onChange={(copy) => onChange({ ...drawing, copy })} />
      <div>
        <Button onClick={() => onChange(undefined)}>Leave the drawing out</Button>
      </div>
    </div>
  );
}
