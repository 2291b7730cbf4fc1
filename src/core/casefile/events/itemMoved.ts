import type { EventKind } from './eventKind';

/** Where an item is that the desk is done with; `desk` again once it came back. */
export type Whereabouts = 'desk' | 'owner' | 'sale' | 'kept' | 'authority' | 'destroyed';

/** Where an item is that left. */
export type Away = Exclude<Whereabouts, 'desk'>;

/** An item leaves the desk, or comes back. */
export interface ItemMoved {
  to: Whereabouts;
  /** Who took it, or brought it back. */
  whom: string;
  note: string;
}

/** What became of the item: of a case that is sealed or closed; it may come back to any. */
export const itemMoved: EventKind<'itemMoved'> = {
  type: 'itemMoved',
  apply: (file, { body }, stamp) => ({ ...file, moved: { ...body, ...stamp } }),
  refusal: ({ seal, closed, moved, number }) =>
    seal || closed || (moved && moved.to !== 'desk')
      ? null
      : `${number} is not decided; seal it, or close it without a verdict, before its item leaves.`,
  isWork: false,
};
