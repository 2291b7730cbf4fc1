import type { Circumstances } from '@/core/casefile/events/circumstancesStated';
import type { Whereabouts } from '@/core/casefile/events/itemMoved';
import { addDays } from '@/core/dates/day';
import type { Comparable } from '@/core/listing/comparable';
import type { Measurable } from './casePictures';
import { DEMO_TODAY } from './today';

/** How a demo item answers a check: the place of the answer in its list, a measured value's distance from the record in tolerances, or words. */
export type Answer = number | { off: number } | 'cantTell' | { excuse: string };

/** One item that lies at the demo desk. */
export interface CasePlan {
  query: string;
  release: string | null;
  kind?: 'footwear';
  size: string | null;
  circumstances: Circumstances;
  by: string;
  /** Days before the demo's today on which it was opened. */
  daysAgo: number;
  /** The factory of the inner label, by its place in the release's list. */
  factory?: number;
  /** Which places were read; those not named are still open. */
  read: string[];
  /** Facts that are not as the record has them: `place.fact` to the raw text; null leaves it unread. */
  facts?: Record<string, string | null>;
  /** Pictures that were taken of it, by kind of specimen; of another product where its label is not known yet. */
  /** What others ask and were paid for the same. */
  comparables?: Comparable[];
  /** Views of its kind that the seller was asked for. */
  asked?: string[];
  /** Who takes it, and in how many days it is due. */
  work?: { owner?: string; dueIn?: number; urgent?: true };
  /** What was photographed beside a bench card. */
  measurable?: Measurable[];
  pictures?: { specimen: string; of?: { release: string; size: string } }[];
  /** Days from the release back to the start of production. */
  lead?: number;
  /** `done`: all checks answered as on a genuine item but for those named; else only those named. */
  inspected: 'done' | 'some';
  answers?: Record<string, Answer>;
  /** Somebody else is asked to answer some checks blind; `given`: and did. */
  opinion?: { of: string; checks: string[]; given?: Record<string, Answer> };
  seal?: true;
  /** Where it went once it was sealed, and who took it. */
  went?: { to: Whereabouts; whom: string };
  /** How the house that sent it in its lot calls it. */
  lot?: string;
}

const walkIn: Circumstances = { channel: 'walk-in', condition: 'new', inHand: true, packaged: true };

/** A price of another offer of the same shoe: paid or asked, by whom, and how long before the demo's today. */
const other = (amount: number, sold: boolean, daysAgo: number, seller: string, size: string): Comparable => ({
  amount,
  currency: 'EUR',
  sold,
  day: addDays(DEMO_TODAY, -daysAgo),
  condition: 'new',
  size,
  seller,
  channel: 'marketplace',
});

const SKERRY_PRICES: Comparable[] = [
  other(158, true, 3, 'lighterman', '43'),
  other(149, true, 5, 'ropewalk 9', '42'),
  other(163, true, 6, 'two gulls', '44'),
  other(155, true, 9, 'saltwife', '43'),
  other(171, true, 12, 'old tannery', '41'),
  other(152, true, 15, 'dory', '42.5'),
  other(179, false, 1, 'quay corner', '43'),
  other(185, false, 2, 'lighterman', '42'),
  other(169, false, 4, 'fogbell', '44.5'),
  other(240, false, 4, 'north mole', '46'),
];

/** Open cases and sealed ones, each for something that happens at a counter. */
export const CASE_PLANS: CasePlan[] = [
  // Clean and genuine, everything looked at: ready to seal.
  {
    query: '9521204100064',
    release: 'tarn-court-low-fog',
    size: '42',
    circumstances: walkIn,
    by: 'isolde-varr',
    daysAgo: 2,
    read: ['boxLabel', 'innerLabel'],
    lead: 118,
    inspected: 'done',
    answers: { 'outside.emblem': { off: 0.2 }, 'senses.weight': { off: -0.3 }, 'outside.stitch-density': { off: 0.1 } },
  },
  // The label describes another product; codes are right.
  {
    query: 'VK6105-311',
    release: 'holt-ridge-moss',
    size: '43',
    circumstances: { ...walkIn, channel: 'marketplace' },
    by: 'tomas-quelle',
    daysAgo: 3,
    read: ['boxLabel', 'innerLabel'],
    facts: { 'boxLabel.model': 'SKERRY RUNNER', 'boxLabel.colourName': 'DUNE' },
    pictures: [{ specimen: 'box-label' }],
    lead: 96,
    inspected: 'some',
    answers: {
      'box.corners': 0,
      'label.print': 1,
      'label.straight': 0,
      'outside.emblem': { off: 1.9 },
      'outside.stitch-density': { off: -1.6 },
      'outside.symmetry': 0,
      'inner.print': 1,
    },
  },
  // A genuine shoe in the genuine box of another colour.
  {
    query: 'VK4821-204',
    release: 'tarn-court-low-ink',
    size: '44',
    circumstances: { ...walkIn, channel: 'regular' },
    by: 'isolde-varr',
    daysAgo: 1,
    factory: 1,
    read: ['boxLabel', 'innerLabel'],
    facts: {
      'boxLabel.gtin': '9521204100088',
      'boxLabel.styleCode': 'VK4821-107',
      'boxLabel.model': 'TARN COURT LOW',
      'boxLabel.colourName': 'FOG / ALDER',
      'boxLabel.size.eu': '43',
      'boxLabel.size.usMen': '9.5',
      'boxLabel.size.usWomen': '11',
      'boxLabel.size.uk': '9',
      'boxLabel.size.cm': '28',
      'boxLabel.country': 'MARROWLAND',
    },
    lead: 140,
    pictures: [{ specimen: 'box-label' }, { specimen: 'inner-label' }],
    inspected: 'done',
    answers: { 'own.lid-stamp': 0 },
  },
  // Production began two years before anything of this release was made.
  {
    query: 'skerry runner dune 42',
    release: 'skerry-runner-dune',
    size: '42',
    circumstances: { ...walkIn, channel: 'marketplace' },
    by: 'bryn-askerby',
    daysAgo: 4,
    read: ['boxLabel', 'innerLabel'],
    lead: 760,
    inspected: 'some',
    opinion: { of: 'isolde-varr', checks: ['underneath.sole-letters', 'label.print'] },
    answers: {
      'box.corners': 0,
      'label.print': 0,
      'inner.print': 0,
      'outside.symmetry': 0,
      'underneath.sole-letters': 'cantTell',
      'outside.stitch-density': { off: -0.8 },
    },
  },
  // Worn and aged, genuine: much is excused.
  {
    query: '9521204100606',
    release: 'holt-ridge-moss',
    size: '39',
    circumstances: { channel: 'walk-in', condition: 'worn', inHand: true, packaged: true },
    by: 'isolde-varr',
    daysAgo: 5,
    read: ['boxLabel', 'innerLabel'],
    lead: 210,
    facts: { 'innerLabel.size.cm': null },
    inspected: 'done',
    answers: { 'box.corners': { excuse: 'the box was crushed in a cupboard' }, 'outside.emblem': { off: 0.4 } },
  },
  // Signs for and against: a careful person leaves it open.
  {
    query: 'VK4830-118',
    release: 'tarn-court-high-bracken',
    size: '41',
    circumstances: { ...walkIn, channel: 'auction' },
    by: 'tomas-quelle',
    daysAgo: 6,
    lot: '12',
    read: ['boxLabel', 'innerLabel'],
    lead: 150,
    inspected: 'done',
    answers: {
      'outside.symmetry': 1,
      'outside.stitch-density': { off: -1.5 },
      'outside.toe-shape': 1,
      'own.heel-patch': 'cantTell',
      'underneath.insole': 1,
      'senses.weight': { off: -0.7 },
      'box.corners': 1,
    },
  },
  // Waiting in the queue: nothing known but what was said at the counter.
  {
    query: 'Low court shoe, ink blue; barcode 9 521204 100262',
    release: null,
    kind: 'footwear',
    size: null,
    circumstances: walkIn,
    by: 'bryn-askerby',
    daysAgo: 0,
    read: [],
    pictures: [{ specimen: 'box-label', of: { release: 'tarn-court-low-ink', size: '42' } }],
    inspected: 'some',
  },
  // A fragrance with a hollow cap and a batch code that differs.
  {
    query: 'saltmeadow 100 ml',
    release: 'saltmeadow',
    size: '100 ml',
    circumstances: { ...walkIn, channel: 'marketplace' },
    by: 'isolde-varr',
    daysAgo: 2,
    read: ['boxBase', 'bottleBase'],
    facts: { 'bottleBase.batchCode': 'H1804B3' },
    inspected: 'some',
    opinion: {
      of: 'tomas-quelle',
      checks: ['wrap.fold', 'base.print-line', 'outside.dip-tube', 'outside.collar', 'outside.glass'],
      given: { 'wrap.fold': 1, 'base.print-line': 1, 'outside.dip-tube': 1, 'outside.collar': 0, 'outside.glass': 1 },
    },
    answers: {
      'wrap.fold': 1,
      'base.print-line': 1,
      'outside.cap-weight': { off: -9 },
      'outside.dip-tube': 1,
      'outside.collar': 0,
      'outside.glass': 0,
    },
  },
  // A fragrance half way through; a digit of the barcode was mistyped.
  {
    query: 'orrery dusk',
    release: 'orrery-dusk',
    size: '75 ml',
    circumstances: walkIn,
    by: 'tomas-quelle',
    daysAgo: 1,
    read: ['boxBase'],
    facts: { 'boxBase.gtin': '9521518300121' },
    inspected: 'some',
    opinion: {
      of: 'bryn-askerby',
      checks: ['wrap.fold', 'box.edge', 'outside.glass'],
      given: { 'wrap.fold': 0, 'box.edge': 0, 'outside.glass': 0 },
    },
    answers: { 'wrap.fold': 0, 'box.edge': 0, 'box.relief': 0, 'outside.glass': 0 },
  },
  // A figure cast from a genuine one: a little too small.
  {
    query: 'LM-114',
    release: 'lamplighter-brass',
    size: '14 cm',
    circumstances: { ...walkIn, channel: 'auction' },
    by: 'bryn-askerby',
    daysAgo: 3,
    lot: '14',
    read: ['boxBase', 'foot'],
    inspected: 'done',
    answers: { 'outside.height': { off: -3.4 }, 'outside.paint': 1, 'foot.digits': 1, 'own.badge': 'cantTell' },
  },
  // A coat from pictures only.
  {
    query: '6310-KD kelp M',
    release: 'leeward-parka-kelp',
    size: 'M',
    circumstances: { channel: 'marketplace', condition: 'new', inHand: false, packaged: true },
    by: 'isolde-varr',
    daysAgo: 1,
    read: ['hangTag'],
    lead: 80,
    inspected: 'some',
    answers: { 'tag.chip': 0, 'outside.zip': 0 },
  },
  // A bottle whose strip has grey ink for foil.
  {
    query: 'S8-0700',
    release: 'skerrow-eight',
    size: '700 ml',
    circumstances: { ...walkIn, channel: 'trade' },
    by: 'tomas-quelle',
    daysAgo: 0,
    read: ['label'],
    inspected: 'some',
    answers: { 'strip.foil': 1, 'strip.straight': 0, 'outside.closure': 'cantTell' },
  },

  // Sealed.
  {
    query: '9521204100224',
    release: 'tarn-court-low-ink',
    size: '39',
    circumstances: { ...walkIn, channel: 'regular' },
    by: 'isolde-varr',
    daysAgo: 40,
    read: ['boxLabel', 'innerLabel'],
    lead: 95,
    inspected: 'done',
    seal: true,
    went: { to: 'owner', whom: 'the regular who brought it' },
  },
  {
    query: 'VK6105-608',
    release: 'holt-ridge-ember',
    size: '44',
    circumstances: { ...walkIn, channel: 'marketplace' },
    by: 'tomas-quelle',
    daysAgo: 33,
    read: ['boxLabel', 'innerLabel'],
    facts: { 'boxLabel.size.cm': '27', 'innerLabel.factoryCode': 'VM7', 'innerLabel.country': 'MARROWLAND' },
    lead: 120,
    inspected: 'done',
    answers: {
      'outside.emblem': { off: 3.1 },
      'outside.stitch-density': { off: -2.4 },
      'senses.weight': { off: -4 },
      'inner.print': 1,
      'underneath.sole-letters': 1,
      'own.bumper': 1,
      'label.print': 1,
    },
    seal: true,
    went: { to: 'authority', whom: 'the customs office' },
  },
  {
    query: 'ninefold water 200',
    release: 'ninefold-water',
    size: '200 ml',
    circumstances: walkIn,
    by: 'bryn-askerby',
    daysAgo: 26,
    read: ['boxBase', 'bottleBase'],
    inspected: 'done',
    seal: true,
  },
  {
    query: 'captain pell',
    release: 'captain-pell-night',
    size: '16 cm',
    circumstances: { ...walkIn, channel: 'auction' },
    by: 'isolde-varr',
    daysAgo: 19,
    read: ['boxBase'],
    inspected: 'some',
    answers: { 'box.dots': 0, 'outside.paint': 1, 'outside.height': { off: 0.7 }, 'foot.digits': 0 },
    seal: true,
    lot: '11',
  },
  {
    query: '7044-OC',
    release: 'mizzle-cape-ochre',
    size: 'L',
    circumstances: { channel: 'regular', condition: 'new', inHand: false, packaged: true },
    by: 'tomas-quelle',
    daysAgo: 12,
    read: ['hangTag', 'innerLabel'],
    lead: 100,
    inspected: 'done',
    seal: true,
  },
  {
    query: 'cask lantern',
    release: 'skerrow-cask',
    size: '700 ml',
    circumstances: { ...walkIn, channel: 'marketplace' },
    by: 'bryn-askerby',
    daysAgo: 8,
    read: ['label', 'bottleBase'],
    facts: { 'bottleBase.batchCode': 'L5099147' },
    inspected: 'done',
    answers: {
      'strip.foil': 1,
      'outside.width': { off: 3.5 },
      'senses.weight': { off: -3.2 },
      'own.embossing': 1,
      'label.hue': 1,
    },
    seal: true,
  },

  // The fullest item: a shoe of three markets and two eras, every place read, nothing that fits together.
  {
    query: 'VK4826-330 42',
    release: 'tarn-court-mid-slate',
    size: '42',
    circumstances: { ...walkIn, channel: 'marketplace' },
    by: 'isolde-varr',
    daysAgo: 0,
    read: [
      'listing',
      'box',
      'boxLabel',
      'insideLid',
      'rfid',
      'innerLabel',
      'innerLabelRight',
      'insole',
      'sole',
      'insert',
    ],
    measurable: [
      { specimen: 'emblem-embroidered', card: 'HAND', check: 'outside.emblem', faults: ['small', 'tooth'], seed: 302 },
      { specimen: 'seam', card: 'COIN', check: 'outside.stitch-density', faults: ['coarse'], seed: 303 },
    ],
    facts: {
      'listing.boughtOn': '2024-06-02',
      'listing.model': 'tarn court mid',
      'listing.colourName': 'brass and slate',
      'box.era': 'Harbour artwork',
      'boxLabel.labelSuffix': 'GF',
      'boxLabel.price': '€129,00',
      'boxLabel.size.usWomen': '-',
      'boxLabel.country': 'MARROWLAND',
      'insideLid.lidStamp': '0417',
      'innerLabel.labelWord': 'PAAR',
      'innerLabelRight.labelWord': 'PAAR ?',
      'innerLabel.serial': 'VN190233LY',
      'innerLabelRight.serial': 'VN190233LY',
      'innerLabelRight.productionWindow': '05/11/24 - 09/12/24',
      'insole.notches': '4 long, 3 short',
    },
    lead: 168,
    pictures: [{ specimen: 'box-label' }],
    inspected: 'some',
    answers: { 'own.lid-stamp': 1, 'box.corners': 0, 'inner.print': 0, 'outside.symmetry': 0 },
  },
  // The same shoe as it should be, from the Isles, of the later era; day and month stay open.
  {
    query: 'tarn court mid slate 43',
    release: 'tarn-court-mid-slate',
    size: '43',
    circumstances: walkIn,
    by: 'tomas-quelle',
    daysAgo: 0,
    factory: 1,
    read: ['box', 'boxLabel', 'rfid', 'innerLabel', 'innerLabelRight', 'insole'],
    facts: {
      'box.era': 'Plain artwork',
      'boxLabel.labelSuffix': 'IS',
      'boxLabel.price': '£115.00',
      'boxLabel.size.usWomen': '-',
      'innerLabel.labelWord': 'PAIR',
      'innerLabelRight.labelWord': 'PAIR',
    },
    lead: 110,
    measurable: [
      { specimen: 'emblem-embroidered', card: 'HAND', check: 'outside.emblem', seed: 304 },
      { specimen: 'seam', card: 'COIN', check: 'outside.stitch-density', seed: 305 },
    ],
    inspected: 'some',
    answers: { 'own.lid-stamp': 1, 'box.corners': 0 },
  },
  // One tag, read on two coats: the first was sealed as genuine before the second came in.
  {
    query: '6310-FT flint L',
    release: 'leeward-parka-flint',
    size: 'L',
    circumstances: { ...walkIn, channel: 'regular' },
    by: 'bryn-askerby',
    daysAgo: 0,
    read: ['hangTag', 'rfid', 'card', 'innerLabel'],
    facts: { 'rfid.epc': '3036452384138B4000011229' },
    lead: 90,
    inspected: 'done',
    seal: true,
    went: { to: 'owner', whom: 'the regular who brought it' },
  },
  {
    query: 'leeward parka flint L',
    release: 'leeward-parka-flint',
    size: 'L',
    circumstances: { ...walkIn, channel: 'marketplace' },
    by: 'tomas-quelle',
    daysAgo: 0,
    read: ['hangTag', 'rfid', 'innerLabel'],
    facts: { 'rfid.epc': '3036452384138B4000011229' },
    lead: 90,
    inspected: 'some',
    answers: { 'outside.zip': 0 },
  },
  // A batch code that fits only the scheme of ten years before.
  {
    query: 'saltmeadow 50',
    release: 'saltmeadow',
    size: '50 ml',
    circumstances: { ...walkIn, channel: 'auction' },
    by: 'isolde-varr',
    daysAgo: 0,
    lot: '15',
    read: ['boxBase', 'bottleBase'],
    facts: { 'boxBase.batchCode': '4C17', 'bottleBase.batchCode': '4C17' },
    inspected: 'some',
    answers: { 'wrap.fold': 0, 'outside.glass': 0 },
  },
  // The three readings part. A genuine shoe with a misprinted size column: one fault against all else.
  {
    query: 'tarn court low fog 41',
    release: 'tarn-court-low-fog',
    size: '41',
    circumstances: walkIn,
    by: 'tomas-quelle',
    daysAgo: 0,
    read: ['boxLabel', 'innerLabel'],
    facts: { 'innerLabel.size.cm': '26' },
    lead: 130,
    inspected: 'done',
  },
  // A genuine shoe whose lid carries the stamp of the other factory: only the chain breaks.
  {
    query: 'tarn court low fog 43',
    release: 'tarn-court-low-fog',
    size: '43',
    circumstances: walkIn,
    by: 'isolde-varr',
    daysAgo: 0,
    factory: 1,
    read: ['boxLabel', 'innerLabel'],
    lead: 125,
    inspected: 'done',
    answers: { 'own.lid-stamp': 0 },
  },
  // Many small signs against it and a broken chain, and no fault that would end it alone.
  {
    query: 'tarn court low fog 45',
    release: 'tarn-court-low-fog',
    size: '45',
    circumstances: { ...walkIn, channel: 'marketplace' },
    by: 'bryn-askerby',
    daysAgo: 0,
    factory: 1,
    read: ['boxLabel', 'innerLabel'],
    lead: 140,
    inspected: 'done',
    answers: {
      'own.lid-stamp': 0,
      // Thread of a colour that no factory uses.
      'own.tongue-seam': 2,
      'outside.emblem': { off: 2.6 },
      'outside.panel-height': { off: 3 },
      'underneath.footbed': { off: -2.6 },
      'outside.stitch-density': { off: -2.2 },
      'senses.weight': { off: -3 },
      'outside.lines': 1,
      'outside.peak': 1,
      'outside.nap': 0,
      'extras.lace-width': { off: -2.4 },
      'underneath.channel': 1,
      'senses.squeeze': 0,
      'label.spacing': 1,
      'box.rings': 1,
    },
  },
  // A pack of smoking goods whose batch code and stamp are right, a millimetre too high, its stamp faint.
  {
    query: 'hollowmere dusk',
    release: 'hollowmere-dusk',
    size: '20',
    circumstances: { ...walkIn, channel: 'marketplace' },
    by: 'isolde-varr',
    daysAgo: 0,
    read: ['pack'],
    inspected: 'some',
    answers: { 'pack.height': { off: 2.6 }, 'stamp.colours': 0, 'stamp.detail': 1, 'wrap.seam': 0, 'wrap.fold': 0 },
  },
  // Offered by a stranger, by pictures: cheap, every size, bought before it was sold anywhere.
  {
    query: 'skerry runner dune',
    release: 'skerry-runner-dune',
    size: '43',
    circumstances: { channel: 'marketplace', seller: 'pier-stall', condition: 'new', inHand: false, packaged: true },
    by: 'isolde-varr',
    daysAgo: 0,
    read: ['listing'],
    facts: {
      'listing.priceAsked': 'EUR 74',
      'listing.priceStruck': 'EUR 210',
      'listing.boughtOn': 'May 2026',
      'listing.boughtWhere': 'Harbour states',
      'listing.sizesOffered': '40-45',
      'listing.included': 'box and tissue',
      'listing.model': 'Skerry Runner',
      'listing.colourName': 'Dune',
      'listing.sellerSays': 'A gift, never worn, must go this week.',
    },
    comparables: SKERRY_PRICES,
    asked: ['label', 'inner'],
    work: { owner: 'isolde-varr', dueIn: 2 },
    inspected: 'some',
  },
];
