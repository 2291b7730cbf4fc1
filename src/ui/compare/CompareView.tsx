'use client';
import { type CSSProperties, useEffect, useRef, useState } from 'react';
import { v4 as newUuid } from 'uuid';
import type { Spot } from '@/core/casefile/events/photoScaled';
import type { PictureNote } from '@/core/casefile/events/pictureNoted';
import { toMeasure } from '@/core/checks/measuredForm';
import { inverseOf, mapped, type Point } from '@/core/measure/homography';
import { brought } from '@/core/measure/upright';
import type { PairReading, SpotReading } from '@/workers/measureWork';
import { useCaseBook, useStanding } from '../casebook/CaseBook';
import { useGo } from '../controls/useGo';
import { hasSides } from '../inspect/deviceFor';
import { useFound } from '../inspect/useFound';
import { drawnOn } from './drawnOn';
import { EdgeFilters } from './EdgeFilters';
import { InstrumentLine } from './InstrumentLine';
import { inspectPath } from './inspectPath';
import { laidOver, type Pair } from './laidOver';
import { answerOf, workingOf } from './measurable';
import { PictureChoice } from './PictureChoice';
import { type Laid, PicturePane } from './PicturePane';
import { pictureInstrument } from './pictureInstrument';
import { ReadingLine } from './ReadingLine';
import { ALIGN, MEASURES, type Task } from './tasks';
import { useCompareKeys } from './useCompareKeys';
import { useComparePictures } from './useComparePictures';
import { useFillingHeight } from './useFillingHeight';
import { useLaying } from './useLaying';
import { useMarking } from './useMarking';
import { useMeasureWorker } from './useMeasureWorker';
import { usePaneSize } from './usePaneSize';
import { SIDES, type Side, usePanes } from './usePanes';

const LABELS = { left: 'The item', right: 'Beside it' };

/** Suspect and exemplar side by side, and the instruments that measure on either. */
export function CompareView({ asked }: { asked: string | null }) {
  const { number, file, record } = useCaseBook();
  const { assessment } = useStanding();
  const go = useGo();
  const sealed = file.seal !== null || file.closed !== null;
  const checks = assessment.findings.filter(
    (each) => pictureInstrument(each) !== null && (each.mark !== 'excused' || each.noFigure === true),
  );
  const [check, setCheck] = useState(asked);
  const held = checks.find((each) => each.check.id === check);
  const finding = held ? toMeasure(held) : null;
  const ask = useMeasureWorker();
  const pictures = useComparePictures(ask, check);
  const laying = useLaying();
  const marking = useMarking(
    (side, what) => {
      const { picture } = pictures[side];
      return picture
        ? ask<SpotReading>(async (work) => work.read(picture.sha256, what))
        : Promise.resolve({ problem: 'No picture lies there.' });
    },
    (own, other) => {
      const [left, right] = [pictures.left.picture, pictures.right.picture];
      return left && right
        ? ask<PairReading>(async (work) =>
            work.outline({ sha256: left.sha256, ...own }, { sha256: right.sha256, ...other }),
          )
        : Promise.resolve({ problem: 'Two pictures are held against each other; one is missing.' });
    },
    (side) => pictures[side].scale,
  );
  const { task, placed, reading, begin } = marking;
  const main = useRef<HTMLElement>(null);
  const height = useFillingHeight(main);
  const frame = useRef<HTMLDivElement>(null);
  // While the places are marked that both show, both are seen.
  const together =
    laying.id !== 'beside' && !task?.both && pictures.left.shown !== null && pictures.right.shown !== null;
  const size = usePaneSize(frame, together ? 1 : 2);
  const panes = usePanes({ left: pictures.left.shown, right: pictures.right.shown }, size);
  const instrument = finding && pictureInstrument(finding);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another check is measured with its own instrument
  useEffect(() => {
    if (instrument) begin(MEASURES.find(({ id }) => id === instrument) ?? null);
  }, [check, instrument]);

  const toggle = (next: Task) => begin(task?.id === next.id && placed.length === 0 ? null : next);
  const spotAt = (side: Side, { x, y }: Point): Spot | null => {
    const { shown } = pictures[side];
    return shown && { x: x / shown.width, y: y / shown.height };
  };
  const place = (side: Side, at: Point, level: boolean) => {
    const { shown } = pictures[side];
    const before = marking.next !== null ? placed.at(-1) : undefined;
    const from = before?.side === side && shown && { x: before.spot.x * shown.width, y: before.spot.y * shown.height };
    const spot = spotAt(side, level && from ? brought(from, at, shown.toMm) : at);
    if (spot) marking.place(side, spot);
  };

  const found = useFound(finding && !sealed ? finding : undefined, (given) => {
    if (finding) void record('findingRecorded', { check: finding.check.id, ...given });
  });
  const sound = reading && !('problem' in reading) ? reading : null;
  const answer = finding && sound && task ? answerOf(finding, task.id, sound) : null;
  const on = placed[0] ? pictures[placed[0].side] : null;
  const cannotKeep = sealed
    ? 'The case is sealed.'
    : on?.picture && on.picture.of !== 'suspect'
      ? 'That is not this item: nothing of it is recorded here.'
      : '';
  const keep = () => {
    if (!answer || !sound || !task || !on?.picture || cannotKeep) return;
    const spotsOn = (side: Side) => placed.filter((each) => each.side === side).map(({ spot }) => spot);
    const { picture: other, scale: otherScale } = pictures.right;
    const against =
      task.measures === 'two' && other
        ? { against: { sha256: other.sha256, points: spotsOn('right'), scale: otherScale } }
        : { against: undefined };
    const points = spotsOn(placed[0]?.side ?? 'left');
    found.measure({
      value: answer.value,
      supplied: {
        device: 'picture',
        uncertainty: answer.uncertainty,
        working: workingOf(task.name, sound, on.scale, against.against ? (other?.name ?? null) : null),
        pictures: [
          {
            sha256: on.picture.sha256,
            instrument: task.id,
            points,
            scale: on.scale,
            ...(against.against ? against : {}),
          },
        ],
      },
    });
    begin(task);
  };
  const keepScale = (mm: number[]) => {
    const side = placed[0]?.side;
    if (side && task?.scale)
      pictures.setScale(
        side,
        task.scale.keep(
          placed.map(({ spot }) => spot),
          mm,
        ),
      );
    begin(null);
  };

  const pin = (text: string) => {
    const [about] = placed;
    if (on?.picture && about)
      void record('pictureNoted', { sha256: on.picture.sha256, note: newUuid(), at: about.spot, text });
    begin(null);
  };
  const unpin = ({ note, spot }: PictureNote) => {
    const { picture } = pictures.left;
    if (picture) void record('pictureNoted', { sha256: picture.sha256, note, at: spot, text: '' });
  };

  const scaled = Boolean(pictures.left.shown?.toMm && pictures.right.shown?.toMm);
  const align = scaled ? ALIGN.scaled : ALIGN.unscaled;
  const [pairs, setPairs] = useState<Pair[]>([]);
  useEffect(() => {
    if (!task?.aligns || placed.length < task.points.length) return;
    const lefts = placed.filter(({ side }) => side === 'left');
    const rights = placed.filter(({ side }) => side === 'right');
    setPairs(lefts.map(({ spot }, i) => ({ left: spot, right: rights[i]?.spot ?? spot })));
    begin(null);
  }, [task, placed, begin]);

  const keys = useCompareKeys({
    size,
    panes,
    marking,
    laying,
    align,
    onBegin: toggle,
    onTurn: pictures.turn,
    onEnter: () => {
      if (!answer || cannotKeep) return false;
      keep();
      return true;
    },
    onLeave: () => {
      if (finding) go(inspectPath(number, finding.check.id));
      else begin(null);
    },
    onPlace: (side, at, level) => place(side, mapped(inverseOf(panes.toScreen(side)), at), level),
  });

  const laidOn = (side: Side): Laid | null => {
    const { picture, shown } = pictures[side];
    return picture && shown && { sha256: picture.sha256, name: picture.name, ...shown, toScreen: panes.toScreen(side) };
  };
  const [left, right] = [laidOn('left'), laidOn('right')];
  const over = together && left && right ? laidOver(left, right, pairs, size) : null;
  return (
    <main
      ref={main}
      style={{ '--filling': height === null ? 'calc(100dvh - 150px)' : `${height}px` } as CSSProperties}
      className="flex h-(--filling) min-h-[480px] flex-col px-5 pt-2 max-lg:h-auto"
    >
      <div className="mb-1.5 grid grid-cols-2 gap-3">
        {SIDES.map((side) => (
          <PictureChoice
            key={side}
            label={LABELS[side]}
            content={pictures[side]}
            all={pictures.all}
            alone={side === 'right' && pictures.exemplars === 1}
            onChoose={(sha256) => pictures.choose(side, sha256)}
            onForgetScale={() => pictures.setScale(side, null)}
          />
        ))}
      </div>
      <div
        ref={frame}
        className={`grid min-h-0 grow gap-3 max-lg:h-[56dvh] max-lg:flex-none ${over ? 'grid-cols-1' : 'grid-cols-2'}`}
      >
        {(over ? SIDES.slice(0, 1) : SIDES).map((side) => (
          <PicturePane
            key={side}
            label={LABELS[side]}
            laid={side === 'left' ? left : right}
            over={over}
            overStyle={laying.style}
            filters={over ? laying.filters : undefined}
            drawn={drawnOn(side, pictures[side], marking)}
            cursor={keys.active === side ? keys.cursor : null}
            grid={keys.grid}
            onPoint={(at, level) => place(side, at, level)}
            onMove={(point, at) => {
              const spot = spotAt(side, at);
              if (spot) marking.move(point, spot);
            }}
            onPan={(dx, dy, alone) => panes.pan(side, dx, dy, alone)}
            onEnlarge={panes.enlarge}
            onActive={() => keys.setActive(side)}
          />
        ))}
      </div>
      {over && laying.id === 'edges' && <EdgeFilters />}
      <InstrumentLine
        task={task}
        align={align}
        onBegin={toggle}
        laying={laying}
        mirrored={panes.mirrored.right}
        onMirror={() => panes.mirror('right')}
      />
      <ReadingLine
        marking={marking}
        finding={finding}
        checks={checks}
        onCheck={setCheck}
        answer={answer}
        side={finding && hasSides(finding) ? (found.left === null ? 'left' : 'right') : ''}
        cannotKeep={cannotKeep}
        onKeep={keep}
        onScale={keepScale}
        notes={pictures.left.picture?.notes ?? []}
        onNote={pin}
        onUnnote={sealed ? null : unpin}
        number={number}
      />
    </main>
  );
}
