'use client';
import { getNonce } from 'get-nonce';
import { Check, ChevronDown } from 'lucide-react';
import { Select } from 'radix-ui';

export interface Option<T extends string> {
  value: T;
  label: string;
}

/** One of a few, from a list that drops down. */
export function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
  disabled,
}: {
  label: string;
  value: T;
  options: Option<T>[];
  onChange: (value: T) => void;
  disabled?: boolean;
}) {
  return (
    <Select.Root value={value} onValueChange={(next) => onChange(next as T)} disabled={disabled}>
      <Select.Trigger
        aria-label={label}
        className="inline-flex min-h-9 items-center gap-1.5 rounded-sm border border-line bg-sheet px-2.5 hover:border-accent disabled:opacity-60"
      >
        <Select.Value placeholder="choose" />
        <Select.Icon>
          <ChevronDown size={14} aria-hidden />
        </Select.Icon>
      </Select.Trigger>
      <Select.Portal>
        <Select.Content position="popper" sideOffset={4} className="z-50 border border-line bg-sheet shadow-md">
          <Select.Viewport nonce={getNonce()}>
            {options.map((option) => (
              <Select.Item
                key={option.value}
                value={option.value}
                className="flex min-h-9 cursor-pointer items-center gap-2 py-1 pr-4 pl-7 outline-none data-highlighted:bg-wash relative"
              >
                <Select.ItemIndicator className="absolute left-2">
                  <Check size={14} aria-hidden />
                </Select.ItemIndicator>
                <Select.ItemText>{option.label}</Select.ItemText>
              </Select.Item>
            ))}
          </Select.Viewport>
        </Select.Content>
      </Select.Portal>
    </Select.Root>
  );
}
