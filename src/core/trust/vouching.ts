import { spacedKeyName } from './statements';

/** Who vouches for a sealed verdict or a truth: this desk, a desk whose key is known here, another key, or nobody. */
export type Voucher = 'own' | 'known' | 'unknown' | 'nobody';

export interface Vouching {
  seq: number;
  type: 'verdictSealed' | 'truthConfirmed';
  by: Voucher;
  /** Name of the key; null where nobody signed. */
  key: string | null;
  /** What a person called a known key. */
  label: string | null;
}

/** Who vouches, as a sentence. */
export function vouchingSentence({ by, key, label }: Vouching): string {
  const name = spacedKeyName(key ?? '');
  switch (by) {
    case 'own':
      return `Signed by this desk, key ${name}.`;
    case 'known':
      return `Signed by ${label}, key ${name}.`;
    case 'unknown':
      return `Not vouched for: signed by key ${name}, which is not known here.`;
    case 'nobody':
      return 'Not vouched for: nobody signed it.';
  }
}
