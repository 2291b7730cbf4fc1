import { Button, Key } from '../controls/Button';
import { MEASURES, NOTE, SCALES, type Task } from './tasks';
import { LAYINGS, type Laying } from './useLaying';

function TaskButton({ of, task, onBegin }: { of: Task; task: Task | null; onBegin: (task: Task) => void }) {
  return (
    <button
      type="button"
      aria-pressed={task?.id === of.id}
      onClick={() => onBegin(of)}
      className="flex min-h-9 items-center gap-1.5 border-b-2 border-transparent px-1 hover:border-line aria-pressed:border-accent aria-pressed:font-semibold"
    >
      <Key>{of.key}</Key> {of.name}
    </button>
  );
}

/** The instruments by name and key, what tells a scale, and how one picture is laid over the other. */
export function InstrumentLine({
  task,
  align,
  onBegin,
  laying,
  mirrored,
  onMirror,
}: {
  task: Task | null;
  /** Lays the two over each other by places that both show. */
  align: Task;
  onBegin: (task: Task) => void;
  laying: Laying;
  mirrored: boolean;
  onMirror: () => void;
}) {
  const sliding = laying.id === 'curtain' || laying.id === 'blend';
  return (
    <div className="flex flex-wrap items-center gap-x-1 text-[14px]">
      {MEASURES.map((each) => (
        <TaskButton key={each.id} of={each} task={task} onBegin={onBegin} />
      ))}
      <span className="flex flex-wrap items-center gap-x-1">
        <span className="px-1 text-soft">scale by</span>
        {SCALES.map((each) => (
          <TaskButton key={each.id} of={each} task={task} onBegin={onBegin} />
        ))}
        <span className="mx-1 h-5 border-l" />
        <TaskButton of={NOTE} task={task} onBegin={onBegin} />
      </span>
      <span className="ml-auto flex items-center gap-1">
        {sliding && (
          <input
            type="range"
            min={0}
            max={1}
            step={0.01}
            value={laying.share}
            onChange={({ target }) => laying.setShare(Number(target.value))}
            aria-label="How much of the other picture is seen"
            className="w-16 accent-[var(--accent)]"
          />
        )}
        {laying.id !== 'beside' && <TaskButton of={align} task={task} onBegin={onBegin} />}
        <Button look="quiet" aria-pressed={mirrored} onClick={onMirror}>
          {mirrored ? 'Mirrored' : 'Mirror'} <Key>f</Key>
        </Button>
        <Button look="quiet" onClick={laying.next}>
          {LAYINGS.find(({ id }) => id === laying.id)?.name} <Key>g</Key>
        </Button>
      </span>
    </div>
  );
}
