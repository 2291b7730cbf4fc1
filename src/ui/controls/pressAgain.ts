import { type Field, setValue } from './field';

const isField = (target: EventTarget): target is Field =>
  target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement;

/**
 * Do with a key that was held back what the browser would have done with it. Whoever still holds keys back hears it
 * first, so that it takes its turn behind those that are held already.
 */
export function pressAgain(
  { key, code, shiftKey }: Pick<KeyboardEvent, 'key' | 'code' | 'shiftKey'>,
  target: EventTarget = document.activeElement ?? document.body,
): void {
  const press = new KeyboardEvent('keydown', { key, code, shiftKey, bubbles: true, cancelable: true });
  if (!target.dispatchEvent(press)) return;
  if (isField(target) && key.length === 1) setValue(target, target.value + key);
  else if (isField(target) && key === 'Enter') target.form?.requestSubmit();
  else if (target instanceof HTMLButtonElement && (key === 'Enter' || key === ' ')) target.click();
}
