import { Choice } from '../controls/Choice';
import type { ComparePicture } from './comparePictures';
import type { PaneContent } from './useComparePictures';

const NONE = 'none';

const ASIDE = 'shrink-0 text-accent underline underline-offset-4';

/** What tells the scale of a picture, in words; what stands in the way of one. */
function scaleWords({ opened, scale, scaleSaid }: PaneContent): { text: string; wrong: boolean } {
  if (opened === null) return { text: 'looking at it', wrong: false };
  if (typeof opened === 'string') return { text: opened, wrong: true };
  const { says, card, problem } = opened;
  if (says && 'problem' in says) return { text: says.problem, wrong: true };
  if (!scale && problem) return { text: problem, wrong: true };
  if (!scale || !says) return { text: 'nothing tells its scale: lengths are in px', wrong: false };
  const by =
    scale.by === 'benchCard'
      ? `bench card, ${card?.name ?? scale.card}`
      : scale.by === 'length'
        ? `a length of ${scale.mm} mm`
        : `a rectangle of ${scale.width} x ${scale.height} mm`;
  const px = 'perMm' in says ? `, ${says.perMm.toFixed(1)} px a mm` : '';
  return {
    text: `${scaleSaid ? 'scale by ' : ''}${by}${px}${'remarks' in says && says.remarks.length > 0 ? `; ${says.remarks.join(', ')}` : ''}`,
    wrong: false,
  };
}

/** Which picture lies in a pane, whose it is, and what tells its scale. */
export function PictureChoice({
  label,
  content,
  all,
  alone,
  onChoose,
  onForgetScale,
}: {
  label: string;
  content: PaneContent;
  all: ComparePicture[];
  /** True where it is the only picture of a known genuine item. */
  alone: boolean;
  onChoose: (sha256: string) => void;
  onForgetScale: () => void;
}) {
  const { picture, scaleSaid } = content;
  if (all.length === 0 || !picture) return <p className="text-soft">{label}: no picture yet.</p>;
  const { text, wrong } = scaleWords(content);
  return (
    <div className="min-w-0 text-[14px]">
      <div className="flex items-baseline gap-2">
        <span className="shrink-0 whitespace-nowrap">
          <Choice
            label={label}
            value={picture.sha256 || NONE}
            options={all.map(({ sha256, name, of }) => ({
              value: sha256,
              label: of === 'suspect' ? name : of === 'copy' ? `copy: ${name}` : `genuine: ${name}`,
            }))}
            onChange={onChoose}
          />
        </span>
        <span className="truncate text-soft" title={picture.says}>
          {picture.says}
          {alone && picture.of === 'genuine' && ' · the only one there is'}
        </span>
      </div>
      <p className="flex gap-2">
        <span className={`truncate ${wrong ? 'text-differs' : 'text-soft'}`} title={text}>
          {text}
        </span>
        {scaleSaid && (
          <button type="button" onClick={onForgetScale} className={ASIDE}>
            take it back
          </button>
        )}
        {content.opened !== null && !content.scale && !wrong && (
          <a href="/api/bench-cards" target="_blank" rel="noreferrer" className={ASIDE}>
            print bench cards
          </a>
        )}
      </p>
    </div>
  );
}
