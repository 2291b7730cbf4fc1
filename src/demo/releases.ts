import type { CheckDefinition, Outcome } from '@/core/checks/check';
import { gtinCheckDigit } from '@/core/codes/gtin';
import type { NominalMeasure, Release } from '@/core/releases/release';
import type { Variant } from '@/core/releases/variantFit';
import { CHARTS, MAKERS } from './makers';
import { SHELVES } from './shelves';
import slate from './slate.json';

type OwnCheck = Pick<
  CheckDefinition,
  'id' | 'name' | 'layer' | 'strand' | 'bearsOn' | 'instruction' | 'expected' | 'copies' | 'expectedBy' | 'g' | 'c'
> & {
  answers: [agrees: string, differs: string];
  otherAnswers?: { label: string; outcome: Outcome }[];
  seconds?: number;
  trait?: string;
  traitAnswers?: string[];
};

/** What differs from one demo release to the next. */
interface Plan {
  id: string;
  kind: string;
  maker: string;
  name: string;
  styleCode: string;
  colourName: string;
  releaseDate: string;
  lead: [minDays: number, maxDays: number];
  chart: string | null;
  /** First and last size key of the chart, or the size texts themselves. */
  sizes: string[];
  /** Item number of the first size within the maker's prefix. */
  item: number;
  factories: [code: string, country: string][];
  nominal: Record<string, NominalMeasure>;
  own: OwnCheck;
  also?: OwnCheck[];
  measured?: CheckDefinition[];
  off?: string[];
  /** Trait states per factory, in the order of `factories`. */
  traits?: Record<string, string[]>;
  /** What only some records hold; variants here stand in place of one for each factory. */
  more?: Partial<Release>;
}

const nine = 'nine pairs bought in shops';
const six = 'six pieces bought in shops';

const shoe = (emblem: number, stitches: number, weight: number): Record<string, NominalMeasure> => ({
  'emblem-height': { value: emblem, tolerance: 1, unit: 'mm', perSize: 0.4, atSize: 42, source: nine },
  'stitch-density': { value: stitches, tolerance: 0.4, unit: 'per cm', source: nine },
  'shoe-weight': { value: weight, tolerance: 14, unit: 'g', perSize: 9, atSize: 42, source: nine },
  'lid-depth': { value: 42, tolerance: 1.5, unit: 'mm', source: nine },
  'spare-laces': { value: 1, tolerance: 0.4, unit: 'pair', source: nine },
  'lace-width': { value: 8, tolerance: 0.6, unit: 'mm', source: nine },
  'laced-holes': { value: 5, tolerance: 0.4, unit: 'holes', source: nine },
  'logo-share': { value: 38, tolerance: 2.5, unit: '%', source: nine },
  'panel-height': { value: 61, tolerance: 1.5, unit: 'mm', perSize: 0.8, atSize: 42, source: nine },
  'quilt-pitch': { value: 6.5, tolerance: 0.4, unit: 'mm', source: nine },
  'toe-height': { value: 46, tolerance: 1.5, unit: 'mm', perSize: 0.5, atSize: 42, source: nine },
  'footbed-stitches': { value: 4, tolerance: 0.4, unit: 'per cm', source: nine },
});

/** The second factory's lasts are lower at the toe. */
const lowToe = (measures: Record<string, NominalMeasure>): Record<string, NominalMeasure> => ({
  ...measures,
  'toe-height': {
    ...(measures['toe-height'] as NominalMeasure),
    by: [{ trait: 'factory', state: 'QE2', value: 43.2 }],
  },
});

const eight = 'eight coats bought in shops';
const coat = (emblem: number, perSize: number): Record<string, NominalMeasure> => ({
  'emblem-width': { value: emblem, tolerance: 1.4, unit: 'mm', perSize, atSize: 48, source: eight },
  'tag-thickness': { value: 0.8, tolerance: 0.1, unit: 'mm', source: eight },
  'hem-stitches': { value: 3.4, tolerance: 0.4, unit: 'per cm', source: eight },
  'hood-panels': { value: 3, tolerance: 0.4, unit: 'panels', source: eight },
  'garment-weight': { value: 840, tolerance: 40, unit: 'g', perSize: 14, atSize: 48, source: eight },
});

const windUp = (height: number, weight: number, angle: number): Record<string, NominalMeasure> => ({
  'figure-height': { value: height, tolerance: 0.9, unit: 'mm', source: six },
  'figure-weight': { value: weight, tolerance: 2.5, unit: 'g', source: six },
  'arm-angle': { value: angle, tolerance: 4, unit: '°', source: six },
});

const spirit = (width: number, height: number, weight: number): Record<string, NominalMeasure> => ({
  'bottle-width': { value: width, tolerance: 0.6, unit: 'mm', source: six },
  'bottle-height': { value: height, tolerance: 1.2, unit: 'mm', source: six },
  'sealed-weight': { value: weight, tolerance: 12, unit: 'g', source: six },
});

const bottle = (cap: number, full: number): Record<string, NominalMeasure> => ({
  'cap-weight': { value: cap, tolerance: 0.8, unit: 'g', source: 'seven bottles bought in shops' },
  'bottle-weight': { value: full, tolerance: 5, unit: 'g', source: 'seven bottles bought in shops' },
});

const twenty = 'twenty packs bought in licensed shops';
const pack = (height: number, stick: number, wrapper: number): Record<string, NominalMeasure> => ({
  'pack-height': { value: height, tolerance: 0.4, unit: 'mm', source: twenty },
  'pack-width': { value: 54.8, tolerance: 0.3, unit: 'mm', source: twenty },
  'pack-depth': { value: 22.6, tolerance: 0.3, unit: 'mm', source: twenty },
  'pack-weight': { value: 24.3, tolerance: 0.6, unit: 'g', source: twenty },
  'stick-length': { value: stick, tolerance: 0.3, unit: 'mm', source: twenty },
  'wrapper-length': { value: wrapper, tolerance: 0.4, unit: 'mm', source: twenty },
  'stick-count': { value: 20, tolerance: 0.4, unit: 'sticks', source: twenty },
});

const knit = (opening: number, weight: number): Record<string, NominalMeasure> => ({
  'knit-rows': { value: 9, tolerance: 0.5, unit: 'per cm', source: six },
  'opening-width': { value: opening, tolerance: 2.5, unit: 'mm', perSize: 1.1, atSize: 42, source: six },
  'opening-stretch': { value: opening + 46, tolerance: 5, unit: 'mm', perSize: 1.2, atSize: 42, source: six },
  'emblem-share': { value: 33.3, tolerance: 2, unit: '%', source: six },
  'shoe-weight': { value: weight, tolerance: 7, unit: 'g', perSize: 6, atSize: 42, source: six },
});

const crest: OwnCheck = {
  id: 'own.crest',
  name: 'Feathers of the crest',
  layer: 'label',
  strand: 'pack-print',
  bearsOn: 'packaging',
  instruction: 'Count the feathers of the heron on the crest with a loupe.',
  expected: 'Seven, the lowest one split at its tip.',
  copies: 'Six, or a lowest one that is not split.',
  answers: ['Seven, the lowest one split', 'Six, or not split'],
  g: 0.02,
  c: 0.36,
};

const heelLoop: OwnCheck = {
  id: 'own.heel-loop',
  name: 'Loop at the heel',
  layer: 'outside',
  strand: 'upper-make',
  bearsOn: 'goods',
  instruction: 'Pull the loop at the heel and look at where it is held.',
  expected: 'Knitted out of the heel; nothing is sewn.',
  copies: 'A ribbon sewn on.',
  answers: ['Knitted out of the heel', 'Ribbon sewn on'],
  g: 0.02,
  c: 0.44,
};

const lidStamp: OwnCheck = {
  id: 'own.lid-stamp',
  name: 'Stamp under the lid',
  layer: 'inside',
  strand: 'tissue',
  bearsOn: 'packaging',
  instruction: 'Turn the lid over and look at the stamp in the corner: its colour tells the factory.',
  expected: 'A ring, blue from one factory and violet from the other. A missing stamp happens.',
  copies: 'A blue ring whatever the inner label says, or a printed one.',
  answers: ['Blue ring', 'Printed, not stamped'],
  traitAnswers: ['Violet ring'],
  trait: 'lid-stamp',
  g: 0.02,
  c: 0.24,
};

const tongueSeam: OwnCheck = {
  id: 'own.tongue-seam',
  name: 'Thread of the tongue’s seam',
  layer: 'inner',
  strand: 'upper-make',
  bearsOn: 'goods',
  instruction: 'Open the laces and look at the seam on the inside of the tongue; lay a white card beside it.',
  expected: 'Sand-coloured thread from most factories, slate grey from the second.',
  copies: 'White or black thread, whatever the inner label says.',
  answers: ['Sand', 'White or black'],
  otherAnswers: [{ label: 'Slate grey', outcome: 'differs' }],
  expectedBy: [{ trait: 'factory', state: 'QE2', expected: 'slate grey, and sand never', genuine: ['Slate grey'] }],
  g: 0.03,
  c: 0.42,
};

const emblemOutline: CheckDefinition = {
  id: 'own.emblem-outline',
  name: 'Outline of the side emblem',
  layer: 'outside',
  strand: 'upper-measures',
  bearsOn: 'goods',
  answer: { form: 'quantity', measure: 'emblem-outline', uncertainty: 0.4, unit: 'mm', onPicture: 'outline' },
  instruction:
    'Photograph the emblem beside the bench card, and hold its outline against that of the known pair nearest in size.',
  expected: 'It follows the known pair’s all around: five teeth, the foot straight below the middle.',
  copies: 'A tooth too few, or the shoulders drawn in.',
  g: 0.04,
  c: 0.38,
  support: 'one source',
  source: 'Halyard Row Exchange, own comparison',
  seconds: 60,
  inHand: false,
  notWhen: [],
  after: [],
};

const heelPatch: OwnCheck = {
  id: 'own.heel-patch',
  name: 'Corners of the heel patch',
  layer: 'outside',
  strand: 'upper-make',
  bearsOn: 'goods',
  instruction: 'Look at the heel patch from behind, both shoes side by side.',
  expected: 'Square corners, stitched into each corner.',
  copies: 'Rounded corners, the stitch cutting them off.',
  answers: ['Square, stitched into the corner', 'Rounded, corner cut off'],
  g: 0.05,
  c: 0.33,
};

const bumper: OwnCheck = {
  ...heelPatch,
  id: 'own.bumper',
  name: 'Lines along the toe bumper',
  instruction: 'Count the raised lines of the rubber bumper, from the toe to where it ends.',
  expected: 'Two, the same way apart from end to end.',
  copies: 'One, or two that meet at the toe.',
  answers: ['Two, apart from end to end', 'One, or they meet'],
};

const capRing: OwnCheck = {
  id: 'own.cap-ring',
  name: 'Ring inside the cap',
  layer: 'outside',
  strand: 'fittings',
  bearsOn: 'goods',
  instruction: 'Take the cap off and look into it from below.',
  expected: 'A steel ring lies flush in the cap, without glue around it.',
  copies: 'A plastic ring, or a bead of glue at its edge.',
  answers: ['Steel, flush, no glue', 'Plastic, or glue around it'],
  g: 0.03,
  c: 0.24,
};

const hemLoop: OwnCheck = {
  id: 'own.hem-loop',
  name: 'Loop at the hem',
  layer: 'outside',
  strand: 'hardware',
  bearsOn: 'goods',
  instruction: 'Look inside the front hem for the small loop of the draw cord.',
  expected: 'A flat woven loop, bar-tacked at both ends.',
  copies: 'A round cord, sewn once.',
  answers: ['Flat, bar-tacked twice', 'Round or sewn once'],
  g: 0.05,
  c: 0.31,
};

const badge: OwnCheck = {
  id: 'own.badge',
  name: 'Badge on the figure',
  layer: 'outside',
  strand: 'paint',
  bearsOn: 'goods',
  instruction: 'Look at the badge with a loupe.',
  expected: 'Five points, the upper one straight over the buttons.',
  copies: 'A smeared star, or one turned to the side.',
  answers: ['Five clear points, upright', 'Smeared or turned'],
  g: 0.06,
  c: 0.35,
};

const embossing: OwnCheck = {
  id: 'own.embossing',
  name: 'Anchor in the glass',
  layer: 'outside',
  strand: 'closure',
  bearsOn: 'goods',
  instruction: 'Feel the anchor on the shoulder of the bottle with a thumb.',
  expected: 'Raised, with a rope around the shank.',
  copies: 'Smooth shank without a rope.',
  answers: ['Raised, rope can be felt', 'Smooth, no rope'],
  g: 0.02,
  c: 0.3,
};

const TWO_SHOE_FACTORIES: [string, string][] = [
  ['VM7', 'Marrowland'],
  ['QE2', 'Estrava'],
];
const STAMPS = { 'lid-stamp': ['Blue ring', 'Violet ring'] };

const PLANS: Plan[] = [
  {
    id: 'tarn-court-low-fog',
    kind: 'footwear',
    maker: 'veskarn',
    name: 'Tarn Court Low',
    styleCode: 'VK4821-107',
    colourName: 'Fog / Alder',
    releaseDate: '2025-03-14',
    lead: [30, 300],
    chart: 'veskarn-court',
    sizes: ['38', '47'],
    item: 10000,
    factories: TWO_SHOE_FACTORIES,
    nominal: lowToe(shoe(31, 4.2, 402)),
    own: lidStamp,
    also: [tongueSeam],
    traits: STAMPS,
  },
  {
    id: 'tarn-court-low-ink',
    kind: 'footwear',
    maker: 'veskarn',
    name: 'Tarn Court Low',
    styleCode: 'VK4821-204',
    colourName: 'Ink / Chalk',
    releaseDate: '2025-09-05',
    lead: [30, 300],
    chart: 'veskarn-court',
    sizes: ['38', '47'],
    item: 10020,
    factories: TWO_SHOE_FACTORIES,
    nominal: lowToe(shoe(31, 4.2, 405)),
    own: lidStamp,
    also: [tongueSeam],
    traits: STAMPS,
  },
  {
    id: 'tarn-court-mid-slate',
    kind: 'footwear',
    maker: 'veskarn',
    name: 'Tarn Court Mid',
    styleCode: 'VK4826-330',
    colourName: 'Slate / Brass',
    releaseDate: '2024-10-25',
    lead: [30, 330],
    chart: 'veskarn-court',
    sizes: ['38', '47'],
    item: 10120,
    factories: [
      ['VM7', 'Marrowland'],
      ['QE2', 'Estrava'],
      ['VT4', 'Quillon'],
    ],
    nominal: {
      ...lowToe(shoe(32, 4.2, 438)),
      'emblem-outline': { value: 0, tolerance: 1, unit: 'mm', source: nine },
    },
    own: lidStamp,
    also: [tongueSeam],
    measured: [emblemOutline],
    more: slate as Partial<Release>,
  },
  {
    id: 'tarn-court-high-bracken',
    kind: 'footwear',
    maker: 'veskarn',
    name: 'Tarn Court High',
    styleCode: 'VK4830-118',
    colourName: 'Bracken',
    releaseDate: '2024-10-18',
    lead: [30, 330],
    chart: 'veskarn-court',
    sizes: ['39', '46'],
    item: 10040,
    factories: [['VM7', 'Marrowland']],
    nominal: shoe(33, 4.2, 468),
    own: heelPatch,
  },
  {
    id: 'holt-ridge-moss',
    kind: 'footwear',
    maker: 'veskarn',
    name: 'Holt Ridge',
    styleCode: 'VK6105-311',
    colourName: 'Moss / Slate',
    releaseDate: '2023-11-10',
    lead: [45, 360],
    chart: 'veskarn-trail',
    sizes: ['39', '47'],
    item: 10060,
    factories: [['VT4', 'Quillon']],
    nominal: shoe(24, 3.6, 455),
    own: bumper,
  },
  {
    id: 'holt-ridge-ember',
    kind: 'footwear',
    maker: 'veskarn',
    name: 'Holt Ridge',
    styleCode: 'VK6105-608',
    colourName: 'Ember / Slate',
    releaseDate: '2026-02-20',
    lead: [45, 360],
    chart: 'veskarn-trail',
    sizes: ['39', '48'],
    item: 10080,
    factories: [
      ['VT4', 'Quillon'],
      ['QE2', 'Estrava'],
    ],
    nominal: shoe(24, 3.6, 458),
    own: bumper,
  },
  {
    id: 'skerry-runner-dune',
    kind: 'footwear',
    maker: 'veskarn',
    name: 'Skerry Runner',
    styleCode: 'VR2250-041',
    colourName: 'Dune',
    releaseDate: '2026-06-12',
    lead: [20, 240],
    chart: 'veskarn-trail',
    sizes: ['38.5', '46'],
    item: 10100,
    factories: [['QE2', 'Estrava']],
    nominal: shoe(19, 3.9, 288),
    own: heelPatch,
  },
  {
    id: 'leeward-parka-kelp',
    kind: 'apparel',
    maker: 'orrinfeld',
    name: 'Leeward Parka',
    styleCode: '6310-KD',
    colourName: 'Kelp',
    releaseDate: '2025-08-29',
    lead: [40, 280],
    chart: 'orrinfeld-coats',
    sizes: ['XS', 'XXL'],
    item: 20000,
    factories: [['O12', 'Estrava']],
    nominal: coat(62, 0.5),
    own: hemLoop,
    more: { materials: 'shell 100 % polyamide, lining 100 % cotton' },
  },
  {
    id: 'leeward-parka-flint',
    kind: 'apparel',
    maker: 'orrinfeld',
    name: 'Leeward Parka',
    styleCode: '6310-FT',
    colourName: 'Flint',
    releaseDate: '2025-08-29',
    lead: [40, 280],
    chart: 'orrinfeld-coats',
    sizes: ['XS', 'XXL'],
    item: 20010,
    factories: [['O12', 'Estrava']],
    nominal: coat(62, 0.5),
    own: hemLoop,
    more: { materials: 'shell 100 % polyamide, lining 100 % cotton' },
  },
  {
    id: 'mizzle-cape-ochre',
    kind: 'apparel',
    maker: 'orrinfeld',
    name: 'Mizzle Cape',
    styleCode: '7044-OC',
    colourName: 'Ochre',
    releaseDate: '2026-03-06',
    lead: [40, 280],
    chart: 'orrinfeld-coats',
    sizes: ['S', 'XL'],
    item: 20020,
    factories: [['O15', 'Quillon']],
    nominal: coat(48, 0),
    own: hemLoop,
    off: ['tag.chip'],
  },
  {
    id: 'saltmeadow',
    kind: 'fragrance',
    maker: 'ilvane',
    name: 'Saltmeadow',
    styleCode: 'H204110',
    colourName: 'Eau de parfum',
    releaseDate: '2024-05-03',
    lead: [10, 900],
    chart: null,
    sizes: ['50 ml', '100 ml'],
    item: 30000,
    factories: [['H2', 'Marrowland']],
    nominal: bottle(38.5, 412),
    own: capRing,
  },
  {
    id: 'orrery-dusk',
    kind: 'fragrance',
    maker: 'ilvane',
    name: 'Orrery Dusk',
    styleCode: 'H207325',
    colourName: 'Extrait',
    releaseDate: '2025-10-10',
    lead: [10, 900],
    chart: null,
    sizes: ['50 ml', '75 ml'],
    item: 30010,
    factories: [
      ['H2', 'Marrowland'],
      ['H5', 'Quillon'],
    ],
    nominal: bottle(44.2, 368),
    own: capRing,
  },
  {
    id: 'ninefold-water',
    kind: 'fragrance',
    maker: 'ilvane',
    name: 'Ninefold Water',
    styleCode: 'H198802',
    colourName: 'Cologne',
    releaseDate: '2022-04-22',
    lead: [10, 1500],
    chart: null,
    sizes: ['100 ml', '200 ml'],
    item: 30020,
    factories: [['H2', 'Marrowland']],
    nominal: bottle(29.8, 455),
    own: {
      ...capRing,
      id: 'own.cap-thread',
      name: 'Thread of the cap',
      instruction: 'Unscrew the cap and count its turns.',
      expected: 'One and a half turns, then a stop.',
      copies: 'Two turns or more.',
      answers: ['One and a half turns', 'More or fewer'],
    },
  },
  {
    id: 'lamplighter-brass',
    kind: 'figure',
    maker: 'pockle-dray',
    name: 'The Lamplighter',
    styleCode: 'LM-114',
    colourName: 'Brass edition',
    releaseDate: '2025-11-21',
    lead: [30, 400],
    chart: null,
    sizes: ['14 cm'],
    item: 40000,
    factories: [['P3', 'Estrava']],
    nominal: windUp(138, 96, 62),
    own: badge,
    more: { datesApart: { days: 45, source: six } },
  },
  {
    id: 'captain-pell-night',
    kind: 'figure',
    maker: 'pockle-dray',
    name: 'Captain Pell',
    styleCode: 'CP-207',
    colourName: 'Night watch',
    releaseDate: '2024-06-28',
    lead: [30, 400],
    chart: null,
    sizes: ['16 cm'],
    item: 40010,
    factories: [['P3', 'Estrava']],
    nominal: windUp(156.5, 121, 40),
    own: badge,
    more: { datesApart: { days: 45, source: six } },
  },
  {
    id: 'skerrow-eight',
    kind: 'spirits',
    maker: 'skerrow',
    name: 'Harbour Eight',
    styleCode: 'S8-0700',
    colourName: 'Green label',
    releaseDate: '2023-09-15',
    lead: [10, 2000],
    chart: null,
    sizes: ['500 ml', '700 ml'],
    item: 50000,
    factories: [['S1', 'Marrowland']],
    nominal: spirit(84.6, 302, 1286),
    own: embossing,
  },
  {
    id: 'skerrow-cask',
    kind: 'spirits',
    maker: 'skerrow',
    name: 'Cask Lantern',
    styleCode: 'S3-0703',
    colourName: 'Amber label',
    releaseDate: '2025-04-11',
    lead: [10, 2000],
    chart: null,
    sizes: ['700 ml'],
    item: 50010,
    factories: [['S1', 'Marrowland']],
    nominal: spirit(88.1, 288, 1342),
    own: embossing,
  },
  {
    id: 'hollowmere-dusk',
    kind: 'smoking-packs',
    maker: 'hollowmere',
    name: 'Hollowmere Dusk',
    styleCode: 'H4-20',
    colourName: 'Blue crest',
    releaseDate: '2022-03-01',
    lead: [0, 3650],
    chart: null,
    sizes: ['20'],
    item: 60000,
    factories: [
      ['H1', 'Marrowland'],
      ['H2', 'Quillon'],
    ],
    nominal: pack(87.4, 83.9, 27),
    own: crest,
  },
  {
    id: 'hollowmere-reed',
    kind: 'smoking-packs',
    maker: 'hollowmere',
    name: 'Hollowmere Reed',
    styleCode: 'H2-20',
    colourName: 'Green crest',
    releaseDate: '2023-06-12',
    lead: [0, 3650],
    chart: null,
    sizes: ['20'],
    item: 60010,
    factories: [['H1', 'Marrowland']],
    nominal: pack(97.6, 98.8, 32),
    own: crest,
  },
  {
    id: 'lindquay-tread-ash',
    kind: 'textile-footwear',
    maker: 'lindquay',
    name: 'Tread Light',
    styleCode: 'LTL-2204',
    colourName: 'Ash melange',
    releaseDate: '2025-09-19',
    lead: [20, 320],
    chart: 'lindquay-knit',
    sizes: ['38', '45'],
    item: 70000,
    factories: [
      ['LQ1', 'Estrava'],
      ['LQ4', 'Quillon'],
    ],
    nominal: knit(104, 236),
    own: heelLoop,
    more: { materials: '82 % polyamide, 18 % elastane' },
  },
  {
    id: 'lindquay-tread-brine',
    kind: 'textile-footwear',
    maker: 'lindquay',
    name: 'Tread Light',
    styleCode: 'LTL-2207',
    colourName: 'Brine',
    releaseDate: '2026-02-06',
    lead: [20, 320],
    chart: 'lindquay-knit',
    sizes: ['39', '45'],
    item: 70100,
    factories: [['LQ1', 'Estrava']],
    nominal: knit(103, 238),
    own: heelLoop,
    more: { materials: '82 % polyamide, 18 % elastane' },
  },
];

function ownCheck({ answers, otherAnswers = [], traitAnswers = [], seconds = 15, ...rest }: OwnCheck): CheckDefinition {
  const [agrees, differs] = answers;
  return {
    ...rest,
    answer: {
      form: 'choice',
      choices: [
        { label: agrees, outcome: 'agrees' },
        ...traitAnswers.map((label) => ({ label, outcome: 'agrees' as const })),
        ...otherAnswers,
        { label: differs, outcome: 'differs' },
      ],
    },
    support: 'one source',
    source: 'Halyard Row Exchange, own comparison',
    seconds,
    inHand: false,
    notWhen: [],
    after: [],
  };
}

function sizeKeys(plan: Plan): string[] {
  const chart = CHARTS.find((each) => each.id === plan.chart);
  if (!chart) return plan.sizes;
  const keys = chart.rows.map((row) => row.key);
  const [first = '', last = ''] = plan.sizes;
  return keys.slice(keys.indexOf(first), keys.indexOf(last) + 1);
}

function variantsOf(plan: Plan): Variant[] {
  return plan.factories.map(([code, country], i) => ({
    id: code.toLowerCase(),
    name: `Factory ${code}, ${country}`,
    traits: {
      factory: [code],
      country: [country],
      ...Object.fromEntries(Object.entries(plan.traits ?? {}).map(([trait, states]) => [trait, [states[i] as string]])),
    },
  }));
}

/** Words that stand on genuine items of a kind, by check. */
const WORDING: Record<string, Record<string, string[]>> = {
  footwear: { 'extras.insert-words': ['Let them rest a day between walks', 'Laissez-les reposer un jour'] },
  apparel: { 'inner.care-words': ['Rinse after salt water', 'Rincer après l’eau salée'] },
  figure: { 'base.warning': ['Not for pockets under three years', 'Keep key from small hands'] },
  spirits: { 'strip.words': ['Paid at the harbour gate'] },
  'smoking-packs': { 'stamp.words': ['TAX PAID', 'DUTY PAID'] },
  'textile-footwear': { 'words.spelling': ['TREAD LIGHT'] },
};

function toRelease(plan: Plan): Release {
  const prefix = MAKERS.find((maker) => maker.id === plan.maker)?.gtinPrefixes[0] as string;
  const { id, kind, maker, name, styleCode, colourName, releaseDate, chart, nominal } = plan;
  return {
    id,
    kind,
    maker,
    name,
    styleCode,
    colourName,
    releaseDate,
    leadTime: { minDays: plan.lead[0], maxDays: plan.lead[1] },
    chart,
    sizes: sizeKeys(plan).map((key, i) => {
      const body = `${prefix}${String(plan.item + i).padStart(5, '0')}`;
      return { key, gtin: `${body}${gtinCheckDigit(body)}` };
    }),
    factories: plan.factories.map(([code, country]) => ({ code, country })),
    nominal,
    ...(WORDING[kind] ? { wording: WORDING[kind] } : {}),
    variants: variantsOf(plan),
    checks: {
      add: [...[plan.own, ...(plan.also ?? [])].map(ownCheck), ...(plan.measured ?? [])],
      off: plan.off ?? [],
    },
    source: 'Halyard Row Exchange, release file',
    ...plan.more,
    ...SHELVES[id],
  };
}

/** The releases of the demo world. */
export const RELEASES: Release[] = PLANS.map(toRelease);
