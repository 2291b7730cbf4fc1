/** A box to tick, with its words. */
export function Tick({
  label,
  checked,
  onChange,
}: {
  label: string;
  checked: boolean;
  onChange: (checked: boolean) => void;
}) {
  return (
    <label className="flex min-h-9 items-center gap-2">
      <input
        type="checkbox"
        className="size-4 accent-(--accent)"
        checked={checked}
        onChange={({ target }) => onChange(target.checked)}
      />
      {label}
    </label>
  );
}
