import { clsx } from 'clsx';
import type { ComponentProps } from 'react';

type Look = 'act' | 'plain' | 'quiet';

const LOOKS: Record<Look, string> = {
  act: 'bg-act text-on-act hover:opacity-90',
  plain: 'border border-line bg-sheet text-ink hover:border-accent',
  quiet: 'text-accent hover:underline underline-offset-4',
};

/** A button; `act` for the one thing to do next, `plain` for the others, `quiet` for those in running text. */
export function Button({ look = 'plain', className, ...rest }: ComponentProps<'button'> & { look?: Look }) {
  return (
    <button
      type="button"
      {...rest}
      className={clsx(
        'inline-flex min-h-9 items-center justify-center gap-2 rounded-sm px-3 text-left disabled:cursor-not-allowed disabled:opacity-45',
        LOOKS[look],
        className,
      )}
    />
  );
}

/** A key as it is named on the keyboard. */
export function Key({ children }: { children: string }) {
  return (
    <kbd className="rounded-xs border border-line bg-wash px-1.5 font-mono text-[12px] whitespace-nowrap text-soft">
      {children}
    </kbd>
  );
}
