import type { Channel, Circumstances } from '@/core/casefile/events/circumstancesStated';
import type { Condition } from '@/core/checks/check';
import type { Option } from '../controls/option';

export const CHANNELS: Option<Channel>[] = [
  { value: 'unstated', label: 'channel not stated' },
  { value: 'walk-in', label: 'walk-in' },
  { value: 'regular', label: 'regular customer' },
  { value: 'marketplace', label: 'online marketplace' },
  { value: 'auction', label: 'auction' },
  { value: 'trade', label: 'trade' },
];

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
