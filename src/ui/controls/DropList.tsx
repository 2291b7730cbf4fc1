'use client';
import { getNonce } from 'get-nonce';
import { Check, ChevronDown } from 'lucide-react';
import { Select } from 'radix-ui';
import { asksByLetter, type ChoiceProps, TRIGGER } from './option';

/** The list that a choice drops down, and the button that it hangs on. */
export function DropList({ label, value, unset = 'choose', options, onChange, disabled }: ChoiceProps<string>) {
  return (
    <Select.Root defaultOpen value={value ?? ''} onValueChange={onChange} disabled={disabled}>
      <Select.Trigger
        aria-label={label}
        className={TRIGGER}
        // A letter that is a key of the page must not choose something else here as well.
        onKeyDown={(event) => {
          if (event.key.length === 1 && event.key !== ' ' && !asksByLetter(event)) event.preventDefault();
        }}
      >
        <Select.Value placeholder={unset} />
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
