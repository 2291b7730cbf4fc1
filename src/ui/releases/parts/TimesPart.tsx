'use client';
import { formatDay, isDay } from '@/core/dates/day';
import { plausibleStart } from '@/core/dates/productionWindow';
import { DayField } from '../../controls/DayField';
import { NumberField } from '../../controls/NumberField';
import { RemoveButton } from '../../controls/RemoveButton';
import { TextField } from '../../controls/TextField';
import { AddLine } from '../../records/AddLine';
import { EditorPart } from '../../records/EditorPart';
import { MarketRows } from '../../records/MarketRows';
import { recordId } from '../../records/useSaveRecord';
import { orNone, type ReleasePartProps } from './releasePart';

/** When it was sold first, how long before it was made, and how its packaging looked when. */
export function TimesPart({ release, set }: ReleasePartProps) {
  const { releaseDate, leadTime, eras = [], datesApart } = release;
  const window = releaseDate && isDay(releaseDate) ? plausibleStart(releaseDate, leadTime) : null;
  return (
    <EditorPart
      id="times"
      title="Dates"
      says={
        window
          ? `production may start ${formatDay(window.earliest)} to ${formatDay(window.latest)}`
          : 'without a release date no production window is held against it'
      }
    >
      <div className="grid gap-3">
        <div className="flex flex-wrap items-end gap-3">
          <DayField label="First sold" day={releaseDate} onChange={(day) => set({ releaseDate: day })} />
          <NumberField
            label="made days before: least"
            whole
            min={0}
            max={3650}
            className="w-28"
            value={leadTime.minDays}
            onChange={(minDays = 0) => set({ leadTime: { ...leadTime, minDays } })}
          />
          <NumberField
            label="most"
            whole
            min={1}
            max={3650}
            value={leadTime.maxDays}
            onChange={(maxDays = 1) => set({ leadTime: { ...leadTime, maxDays } })}
          />
          <NumberField
            label="dates lie apart, days at most"
            whole
            optional
            min={0}
            max={3650}
            className="w-36"
            value={datesApart?.days}
            onChange={(days) =>
              set({
                datesApart: days === undefined ? undefined : { days, source: datesApart?.source ?? release.source },
              })
            }
          />
        </div>
        <MarketRows
          values={release.marketDates}
          onChange={(marketDates) => set({ marketDates })}
          field={(day, onChange) => (
            <DayField label="first sold" day={day || null} onChange={(next) => onChange(next ?? '')} />
          )}
        />
        {eras.map((era, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: an era has no name of its own while it is written
          <div key={i} className="flex items-end gap-3">
            <TextField
              label="Packaging era"
              className="w-52"
              maxLength={80}
              value={era.name}
              onChange={({ target: { value } }) =>
                set({ eras: eras.with(i, { ...era, name: value, id: era.id || recordId(value) }) })
              }
              onBlur={() => set({ eras: eras.with(i, { ...era, id: recordId(era.name) || era.id }) })}
            />
            <DayField
              label="from"
              day={era.from || null}
              onChange={(from) => set({ eras: eras.with(i, { ...era, from: from ?? '' }) })}
            />
            <DayField
              label="until; empty: in use"
              day={era.until}
              onChange={(until) => set({ eras: eras.with(i, { ...era, until }) })}
            />
            <RemoveButton
              label={`Remove era ${era.name}`}
              onClick={() => set({ eras: orNone(eras.toSpliced(i, 1)) })}
            />
          </div>
        ))}
        <div className="flex flex-wrap gap-x-6">
          <AddLine onClick={() => set({ marketDates: { ...release.marketDates, '': '' } })}>
            Another day in a market
          </AddLine>
          <AddLine onClick={() => set({ eras: [...eras, { id: '', name: '', from: '', until: null }] })}>
            A packaging era
          </AddLine>
        </div>
      </div>
    </EditorPart>
  );
}
