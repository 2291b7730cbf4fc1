'use client';
import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { type PointerEvent, useEffect, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import type { CaseFile } from '@/core/casefile/caseFile';
import type { SeenIn } from '@/core/casefile/events/factRead';
import type { Photo } from '@/core/casefile/events/photoAdded';
import type { Grounds } from '@/core/judgement/grounds';
import { type LabelLayout, withLayout } from '@/core/labels/labelLayout';
import { type Point, type Quad, rectangle } from '@/core/measure/homography';
import type { PictureLabel, PictureReading } from '@/workers/pictureWork';
import { useSaving } from '../casebook/CaseBook';
import { Button, Key } from '../controls/Button';
import { useAsSheet } from '../controls/useKeys';
import { post } from '../request';
import { keepPicture, noPicture, PICTURE_TYPES } from './keepPicture';
import { PictureFacts } from './PictureFacts';
import { usePastedPictures } from './usePastedPictures';
import { usePictureReader } from './usePictureReader';
import { Webcam } from './Webcam';

/** A fact that somebody confirmed, with where it was seen. */
export interface ConfirmedFact {
  place: string;
  fact: string;
  raw: string;
  picture: SeenIn;
}

const STEPS = {
  loading: 'Loading what reads letters',
  symbols: 'Looking for barcodes',
  outlines: 'Looking for labels',
  text: 'Reading what is printed',
};

/** A photograph as the desk keeps it. */
async function keptBytes(sha256: string): Promise<Blob> {
  const answer = await fetch(`/api/photos/${sha256}`);
  if (!answer.ok) throw new Error('That photograph cannot be fetched.');
  return answer.blob();
}

/** Read a label from a picture: where each fact stands on the left, what it says on the right. */
export function PictureSheet({
  file,
  grounds,
  first,
  onPhoto,
  onKeep,
  onLookUp,
  onClose,
}: {
  file: CaseFile;
  grounds: Grounds;
  /** Pictures that were dropped or pasted before it opened. */
  first: File[];
  onPhoto: (photo: Photo) => void;
  onKeep: (facts: ConfirmedFact[]) => void;
  /** Find the record by a number that was read; null where the item has one. */
  onLookUp: ((number: string) => void) | null;
  onClose: () => void;
}) {
  useAsSheet();
  const saving = useSaving();
  const { read, progress } = usePictureReader();
  const [shown, setShown] = useState<{ sha256: string; url: string } | null>(null);
  const [reading, setReading] = useState<PictureReading | null>(null);
  const [which, setWhich] = useState(0);
  const [trouble, setTrouble] = useState('');
  const [sending, setSending] = useState(false);
  const [lit, setLit] = useState<string | null>(null);
  const [drawn, setDrawn] = useState<Quad | null>(null);
  const [filming, setFilming] = useState(false);
  const hasCamera = useHasCamera();

  const look = async (sha256: string, blob: Blob) => {
    setTrouble('');
    setReading(null);
    setWhich(0);
    setShown({ sha256, url: `/api/photos/${sha256}?w=1600` });
    try {
      const found = await read(blob, file, grounds);
      if (found.labels.length > 0) setReading(found);
      else if (!found.problem) setTrouble('No label was found in it. Let it fill the picture, on a darker ground.');
      if (found.problem) setTrouble(found.problem);
    } catch (error) {
      setTrouble(`${(error as Error).message} Type it in, or try again.`);
    }
  };
  const take = async (files: File[]) => {
    const [picture] = files;
    if (!picture) return;
    setSending(true);
    setTrouble('');
    try {
      const kept = await keepPicture(picture);
      if (!file.photos.some(({ sha256 }) => sha256 === kept.sha256))
        onPhoto({ ...kept, name: picture.name.slice(0, 120) || 'picture of a label' });
      // A browser reads what the desk keeps, where that was made from what it cannot read itself.
      await look(kept.sha256, kept.mime === picture.type ? picture : await keptBytes(kept.sha256));
    } catch (error) {
      setTrouble((error as Error).message);
    } finally {
      setSending(false);
    }
  };
  /** Facts are kept once it is remembered where they stand, so that trouble with that is still seen. */
  const keep = async (facts: ConfirmedFact[], layout: LabelLayout | null) => {
    const { maker } = saving.folder.grounds;
    if (layout && maker) {
      const body = { ...maker.body, labels: withLayout(maker.body.labels ?? [], layout) };
      try {
        await post('/api/records', { kind: 'maker', body, from: maker.revision });
      } catch (error) {
        setTrouble(`Where they stand could not be remembered: ${(error as Error).message}`);
        return;
      }
      saving.renew();
    }
    onKeep(facts);
  };
  const again = async (sha256: string) => {
    try {
      await look(sha256, await keptBytes(sha256));
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, for what it was opened with
  useEffect(() => {
    void take(first);
  }, []);
  const { getRootProps, getInputProps, open, isDragActive } = useDropzone({
    accept: PICTURE_TYPES,
    multiple: false,
    noClick: true,
    noKeyboard: true,
    onDrop: (accepted, rejected) => {
      if (rejected[0]) setTrouble(noPicture(rejected[0]));
      else void take(accepted);
    },
  });
  const label = reading?.labels[which] ?? null;
  const busy = sending || progress !== null;
  usePastedPictures(!busy, (files) => void take(files));
  return (
    <Dialog.Root open onOpenChange={(stays) => !stays && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-veil" />
        <Dialog.Content
          {...getRootProps({ role: 'dialog' })}
          aria-describedby={undefined}
          className={`fixed inset-4 z-50 flex flex-col overflow-auto border border-line bg-sheet p-4 shadow-lg outline-accent ${isDragActive ? 'outline-2 outline-dashed' : ''}`}
        >
          <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-1 pr-10">
            <Dialog.Title className="text-lg font-semibold">Read from a picture</Dialog.Title>
            <Button onClick={open} disabled={busy}>
              {shown ? 'Another picture' : 'Choose a picture'}
            </Button>
            {hasCamera && (
              <Button onClick={() => setFilming(true)} disabled={busy || filming}>
                Camera
              </Button>
            )}
            <span className="text-[13px] text-soft">or drop one here, or paste it</span>
            <input {...getInputProps()} aria-label="A picture of a label" />
          </div>
          <Dialog.Close
            aria-label="Close"
            className="absolute top-3 right-3 flex size-9 items-center justify-center text-soft hover:text-ink"
          >
            <X size={18} aria-hidden />
          </Dialog.Close>
          {filming && (
            <Webcam
              onTaken={(picture) => {
                setFilming(false);
                void take([picture]);
              }}
              onClose={() => setFilming(false)}
            />
          )}
          {!shown && !filming && file.photos.length > 0 && (
            <section aria-label="Pictures of this case">
              <p className="mb-2 text-soft">Pictures of this case:</p>
              <div className="flex flex-wrap gap-2">
                {file.photos.toReversed().map(({ sha256, name, original }, i) => (
                  <div key={sha256} className="text-[13px]">
                    <button
                      type="button"
                      // biome-ignore lint/a11y/noAutofocus: what the sheet was opened for
                      autoFocus={i === 0}
                      onClick={() => void again(sha256)}
                      className="max-w-48 border border-line p-1 text-left text-[13px] hover:border-accent"
                    >
                      {/* biome-ignore lint/performance/noImgElement: kept pictures are served as they are */}
                      <img src={`/api/photos/${sha256}?w=320`} alt="" className="h-32 w-44 object-cover" />
                      {name}
                    </button>
                    {original && (
                      <a
                        href={`/api/photos/${original.sha256}`}
                        download
                        className="block p-1 text-accent underline underline-offset-4"
                      >
                        as the camera made it
                      </a>
                    )}
                  </div>
                ))}
              </div>
            </section>
          )}
          {trouble && (
            <p role="alert" className="mb-3 text-differs">
              {trouble}
            </p>
          )}
          <p role="status" className="min-h-5 text-[13px] text-soft">
            {sending && !progress
              ? 'Keeping the picture'
              : progress
                ? `${STEPS[progress.step]}, ${Math.round(progress.share * 100)} %`
                : ''}
          </p>
          {shown && !filming && (
            <div className="grid min-h-0 grow grid-cols-[minmax(0,1fr)_400px] gap-4 max-[1000px]:block">
              <SeenPicture
                url={shown.url}
                reading={reading}
                label={label}
                lit={lit}
                onChoose={setWhich}
                onDraw={setDrawn}
              />
              {label && reading && numberOn(label) && onLookUp && (
                <NoRecord number={numberOn(label) as string} onLookUp={onLookUp} />
              )}
              {label && reading && !(numberOn(label) && onLookUp) && (
                <PictureFacts
                  key={which}
                  label={label}
                  size={reading}
                  sha256={shown.sha256}
                  count={reading.labels.length}
                  which={which}
                  file={file}
                  grounds={grounds}
                  drawn={drawn}
                  barsOnly={reading.problem !== null}
                  onLit={setLit}
                  onWhich={() => setWhich((which + 1) % reading.labels.length)}
                  onKeep={(facts, layout) => void keep(facts, layout)}
                />
              )}
            </div>
          )}
          {!shown && !filming && file.photos.length === 0 && !busy && (
            <p className="text-soft">
              Let the label fill the picture, flat and sharp, without a lamp mirrored in it. <Key>Esc</Key> leads back.
            </p>
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** True where this machine has a camera. */
function useHasCamera(): boolean {
  const [has, setHas] = useState(false);
  useEffect(() => {
    // Pages that came unprotected over a network are given no cameras at all.
    void navigator.mediaDevices
      ?.enumerateDevices()
      .then((devices) => setHas(devices.some(({ kind }) => kind === 'videoinput')));
  }, []);
  return has;
}

/** The barcode number that a label shows wherever it may stand. */
const numberOn = ({ at }: PictureLabel): string | null =>
  Object.values(at)
    .flatMap(({ facts }) => facts)
    .find(({ fact, trust }) => fact === 'gtin' && trust === 'sure')?.raw ?? null;

/** What is printed can be told apart once it is known what the item is to be held against. */
function NoRecord({ number, onLookUp }: { number: string; onLookUp: (number: string) => void }) {
  return (
    <section aria-label="No record yet">
      <p className="mb-3">
        The bars say <span className="font-mono">{number}</span>. The item has no record yet; with one, the rest of the
        label is read too.
      </p>
      <Button look="act" autoFocus onClick={() => onLookUp(number)}>
        Find its record <Key>Enter</Key>
      </Button>
    </section>
  );
}

/** The picture with its labels and the places of the facts outlined. */
function SeenPicture({
  url,
  reading,
  label,
  lit,
  onChoose,
  onDraw,
}: {
  url: string;
  reading: PictureReading | null;
  label: PictureLabel | null;
  lit: string | null;
  onChoose: (which: number) => void;
  /** Somebody drew around something. */
  onDraw: (corners: Quad) => void;
}) {
  const [box, setBox] = useState<{ from: Point; to: Point } | null>(null);
  const points = (corners: { x: number; y: number }[]) => corners.map(({ x, y }) => `${x},${y}`).join(' ');
  const size = reading ?? { width: 4, height: 3 };
  const thin = size.width / 500;
  const pointAt = ({ clientX, clientY, currentTarget }: PointerEvent<SVGSVGElement>): Point => {
    const { left, top, width, height } = currentTarget.getBoundingClientRect();
    return { x: ((clientX - left) / width) * size.width, y: ((clientY - top) / height) * size.height };
  };
  const quadOf = ({ from, to }: { from: Point; to: Point }): Quad =>
    rectangle(Math.min(from.x, to.x), Math.min(from.y, to.y), Math.abs(to.x - from.x), Math.abs(to.y - from.y));
  const drew = () => {
    setBox(null);
    // A click chooses a label; only what was drawn is a box.
    if (box && Math.hypot(box.to.x - box.from.x, box.to.y - box.from.y) > size.width / 100) onDraw(quadOf(box));
  };
  return (
    <div className="min-h-0 self-start bg-sheet max-[1000px]:sticky max-[1000px]:top-0 max-[1000px]:z-10 max-[1000px]:pb-3">
      <div className="relative w-fit">
        {/* biome-ignore lint/performance/noImgElement: kept pictures are served as they are */}
        <img
          src={url}
          alt="What was photographed"
          className="block max-h-[78vh] max-w-full max-[1000px]:max-h-[40vh]"
        />
        {reading && (
          <svg
            viewBox={`0 0 ${size.width} ${size.height}`}
            preserveAspectRatio="xMinYMin meet"
            className="absolute inset-0 h-full w-full touch-none"
            aria-hidden
            onPointerDown={(event) => {
              // The field that is meant keeps the focus.
              event.preventDefault();
              const at = pointAt(event);
              setBox({ from: at, to: at });
            }}
            onPointerMove={(event) => box && setBox({ ...box, to: pointAt(event) })}
            onPointerUp={drew}
            onPointerLeave={() => setBox(null)}
          >
            {reading.labels.map(({ corners }, i) => (
              // biome-ignore lint/a11y/noStaticElementInteractions: the panel beside it has a button for the same
              <polygon
                // biome-ignore lint/suspicious/noArrayIndexKey: labels have no identity but their place
                key={i}
                points={points(corners)}
                onClick={() => onChoose(i)}
                className="cursor-pointer fill-transparent stroke-accent"
                strokeWidth={label === reading.labels[i] ? thin * 1.4 : thin * 0.6}
                strokeDasharray={label === reading.labels[i] ? undefined : `${thin * 4} ${thin * 3}`}
              />
            ))}
            {box && (
              <polygon points={points(quadOf(box))} className="fill-transparent stroke-differs" strokeWidth={thin} />
            )}
            {lit && (
              <polygon
                points={lit}
                className="fill-transparent stroke-accent"
                strokeWidth={thin * 1.6}
                strokeLinejoin="round"
              />
            )}
          </svg>
        )}
      </div>
    </div>
  );
}
