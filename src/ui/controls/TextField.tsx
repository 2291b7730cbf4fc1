import { clsx } from 'clsx';
import type { ComponentProps } from 'react';
import { leaveByEscape } from './field';

/** A labelled field of a form; the label stands above it. */
export function TextField({
  label,
  className,
  wide,
  onKeyDown,
  ...rest
}: ComponentProps<'input'> & { label: string; wide?: boolean }) {
  return (
    <label className={clsx('flex min-w-0 flex-col text-[13px] text-soft', wide && 'grow basis-72')}>
      {label}
      <input
        spellCheck={false}
        autoComplete="off"
        {...rest}
        onKeyDown={(event) => {
          onKeyDown?.(event);
          leaveByEscape(event);
        }}
        className={clsx(
          'h-9 min-w-0 rounded-sm border border-line bg-sheet px-2 text-[15px] text-ink outline-none focus:border-accent',
          wide && 'w-full',
          className,
        )}
      />
    </label>
  );
}
