import type { KindDefinition } from '../checks/check';
import type { Maker, Release } from './release';

/** What most makers keep to, until the record says better. */
export const USUAL_LEAD = { minDays: 0, maxDays: 730 };

/** A release of which nothing is known yet. */
export const blankRelease = (kind: Pick<KindDefinition, 'id'>, maker: Pick<Maker, 'id'> | null): Release => ({
  id: '',
  kind: kind.id,
  maker: maker?.id ?? '',
  name: '',
  styleCode: '',
  colourName: '',
  releaseDate: null,
  leadTime: USUAL_LEAD,
  chart: null,
  sizes: [{ key: '', gtin: '' }],
  factories: [],
  nominal: {},
  variants: [],
  checks: { add: [], off: [] },
  source: '',
});
