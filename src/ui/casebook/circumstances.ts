import { CHANNEL_NAMES, type Channel, type Circumstances } from '@/core/casefile/events/circumstancesStated';
import type { Condition } from '@/core/checks/check';
import type { Option } from '../controls/option';

export const CHANNELS = Object.entries(CHANNEL_NAMES).map(([value, label]) => ({ value, label })) as Option<Channel>[];

export const CONDITIONS: Option<Condition>[] = [
  { value: 'new', label: 'new' },
  { value: 'worn', label: 'worn' },
  { value: 'aged', label: 'aged' },
];

export const HOLDINGS: Option<'hand' | 'pictures'>[] = [
  { value: 'hand', label: 'in hand' },
  { value: 'pictures', label: 'pictures only' },
];

export const PACKAGINGS: Option<'packaged' | 'bare'>[] = [
  { value: 'packaged', label: 'with packaging' },
  { value: 'bare', label: 'without packaging' },
];

export const USUAL: Circumstances = { channel: 'walk-in', condition: 'new', inHand: true, packaged: true };

export const REFERENCE = 'reference';

/** How an item came: by a channel, or bought to learn from, which says nothing of what comes by the door. */
export const ORIGINS: Option<Channel | typeof REFERENCE>[] = [
  ...CHANNELS,
  { value: REFERENCE, label: 'bought to learn from' },
];

/** The circumstances with another seller, or with none. */
export function withSeller({ seller: _, ...rest }: Circumstances, seller: string): Circumstances {
  return seller.trim() === '' ? rest : { ...rest, seller: seller.trim() };
}

/** The circumstances of an item that came otherwise. */
export function withOrigin(
  { reference: _, ...rest }: Circumstances,
  origin: Channel | typeof REFERENCE,
): Circumstances {
  return origin === REFERENCE ? { ...rest, reference: true } : { ...rest, channel: origin };
}
