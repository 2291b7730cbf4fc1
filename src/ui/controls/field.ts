import type { KeyboardEvent } from 'react';

export type Field = HTMLInputElement | HTMLTextAreaElement;

/** Change what a field holds, in the way that React notices. */
export function setValue(field: Field, value: string): void {
  const prototype = field instanceof HTMLInputElement ? HTMLInputElement.prototype : HTMLTextAreaElement.prototype;
  Object.getOwnPropertyDescriptor(prototype, 'value')?.set?.call(field, value);
  field.dispatchEvent(new Event('input', { bubbles: true }));
}

/** The field that has the focus. */
export function activeField(): Field | null {
  const active = document.activeElement;
  return active instanceof HTMLInputElement || active instanceof HTMLTextAreaElement ? active : null;
}

/** Escape leaves a field, so that the next key is one of the page. */
export function leaveByEscape({ key, currentTarget }: KeyboardEvent<Field>): void {
  if (key === 'Escape') currentTarget.blur();
}
