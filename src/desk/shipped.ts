import { type DocumentKind, listRevisions, saveDocument } from '@/store/documents';
import type { Store } from '@/store/store';
import apparel from './shipped/apparel.json';
import figure from './shipped/figure.json';
import footwear from './shipped/footwear.json';
import fragrance from './shipped/fragrance.json';
import houseRules from './shipped/house-rules.json';
import roster from './shipped/roster.json';
import smokingPacks from './shipped/smoking-packs.json';
import spirits from './shipped/spirits.json';
import textileFootwear from './shipped/textile-footwear.json';

/** What every desk begins with: the kinds of goods, house rules and a roster, all open to revision. */
export const SHIPPED: { kind: DocumentKind; body: { id: string } }[] = [
  ...[footwear, apparel, fragrance, figure, spirits, smokingPacks, textileFootwear].map((body) => ({
    kind: 'kind' as const,
    body,
  })),
  { kind: 'house-rules', body: houseRules },
  { kind: 'roster', body: roster },
];

/** Put in what a new desk lacks; what is there already, revised or not, stays. */
export async function saveShipped(store: Store, now: string): Promise<void> {
  const lacking: typeof SHIPPED = [];
  for (const document of SHIPPED) {
    // Whether it is there, not whether it holds: a desk with a changed document has to open, to say so.
    if ((await listRevisions(store, document.kind, document.body.id)).length === 0) lacking.push(document);
  }
  if (lacking.length === 0) return;
  await store.write(async (transaction) => {
    for (const { kind, body } of lacking) await saveDocument(store, kind, body, now, transaction);
  });
}
