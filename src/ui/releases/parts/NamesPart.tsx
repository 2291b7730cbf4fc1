'use client';
import { readStyleCode } from '@/core/codes/styleCode';
import { TextField } from '../../controls/TextField';
import { Tick } from '../../controls/Tick';
import { EditorPart } from '../../records/EditorPart';
import type { ReleasePartProps } from './releasePart';

/** What the release is called, and where the record comes from. */
export function NamesPart({ release, maker, set }: ReleasePartProps) {
  const { styleCode } = release;
  const read = maker && styleCode !== '' ? readStyleCode(styleCode, maker.styleShape) : null;
  const odd = read && (read.failure || read.reading.repairs.length > 0);
  return (
    <EditorPart id="names" title="Names">
      <div className="flex flex-wrap items-start gap-3">
        <TextField
          label="Model"
          wide
          maxLength={80}
          autoFocus={release.name === ''}
          value={release.name}
          onChange={({ target }) => set({ name: target.value })}
        />
        <TextField
          label="Colour or edition"
          wide
          maxLength={80}
          autoFocus={release.name !== '' && release.colourName === ''}
          value={release.colourName}
          onChange={({ target }) => set({ colourName: target.value })}
        />
        <div className="grid gap-1">
          <TextField
            label="Style code"
            className="w-52 font-mono"
            maxLength={40}
            value={styleCode}
            onChange={({ target }) => set({ styleCode: target.value })}
          />
          {odd && (
            <p className="w-52 text-[13px] text-differs">
              Not of {maker?.name}’s shape, <span className="font-mono">{maker?.styleShape}</span>.
            </p>
          )}
        </div>
        <TextField
          label="The record comes from"
          wide
          maxLength={200}
          placeholder="a pair bought in a shop"
          value={release.source}
          onChange={({ target }) => set({ source: target.value })}
        />
        <div className="basis-full">
          <Tick
            label="it does not know all: other factories, variants, boxes and materials may be genuine too"
            checked={release.incomplete === true}
            onChange={(incomplete) => set({ incomplete: incomplete || undefined })}
          />
        </div>
      </div>
    </EditorPart>
  );
}
