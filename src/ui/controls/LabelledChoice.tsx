import { Choice } from './Choice';
import type { Option } from './option';

/** A choice with its label above it, to stand in a row of fields. */
export function LabelledChoice<T extends string>(props: {
  label: string;
  value: T;
  options: Option<T>[];
  onChange: (value: T) => void;
}) {
  return (
    <div className="flex flex-col text-[13px] text-soft">
      {props.label}
      <span className="text-[15px] text-ink">
        <Choice {...props} />
      </span>
    </div>
  );
}
