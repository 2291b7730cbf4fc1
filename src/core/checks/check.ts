import type { ListingRuleName } from '../listing/listingRules';

/** What a check speaks about. A link check compares the goods with their packaging. */
export type Bearing = 'goods' | 'packaging' | 'link';

/** How well the stated chances are supported, and how many observations each level is worth. */
export const SUPPORT_OBSERVATIONS = {
  hearsay: 2,
  'one source': 4,
  'several sources': 8,
  measured: 16,
} as const;

export type Support = keyof typeof SUPPORT_OBSERVATIONS;

/** What an answer counts as. */
export type Outcome = 'agrees' | 'differs' | 'missing' | 'cantTell';

/** How left and right of a pair must stand to each other. */
export type PairRule = 'same' | 'differ' | 'mirror' | 'free';

/** Where the answer to a check comes from. */
/** How a choice is measured on a picture instead of judged by eye. */
export interface MeasuredBeside {
  /** The instrument. */
  onPicture: string;
  unit: string;
  /** What genuine items show, whatever their release: one of these, within the tolerance. */
  expected: number[];
  tolerance: number;
  /** Standard uncertainty where the reading tells none. */
  uncertainty: number;
}

export type AnswerForm =
  /** The person picks one of the stated answers, by its place in the list. */
  | { form: 'choice'; choices: { label: string; outcome: Outcome }[]; measured?: MeasuredBeside }
  /** Whether something is there that belongs there, or that does not. */
  | { form: 'presence'; expected: 'present' | 'absent' }
  /** A feel, a smell, a strength: one step of a scale; genuine items lie from one step to another, counted from 0. */
  | { form: 'ordinal'; scale: string[]; genuine: [first: number, last: number] }
  /** One state for the left and one for the right; `mirror`: the right shows the list's state from its other end. */
  | { form: 'pair'; rule: PairRule; states: string[]; genuine: string[] }
  /** What stands or is heard there, held against what may stand there, as words are; nothing where each release says it. */
  | { form: 'text'; expected: string[] }
  /**
   * A measured value, compared with a nominal measure of the release; `unit`: that of a record that has no figure yet;
   * `instrument`: a tool that can supply it; `onPicture`: one that measures it on a picture; `sides`: measured left and
   * right, and each compared.
   */
  | {
      form: 'quantity';
      measure: string;
      uncertainty: number;
      unit?: string;
      instrument?: string;
      onPicture?: string;
      sides?: true;
    }
  /** How many there are, compared with a nominal measure of the release. */
  | { form: 'count'; measure: string; unit?: string }
  /** The cross-reading answers it by one of its rules, for the places named. */
  | { form: 'codes'; rule: string; places: string[] };

export type Condition = 'new' | 'worn' | 'aged';

/** When a check says anything at all; everything that is named must hold. */
export interface AppliesWhen {
  /** Trait id to states: some variant that is still possible shows one of them. */
  traits?: Record<string, string[]>;
  minAgeMonths?: number;
  maxAgeMonths?: number;
  /** Leading size, first and last. */
  sizes?: [from: number, to: number];
  /** Check id to the outcomes that it must have had. */
  checks?: Record<string, Outcome[]>;
}

/** A small drawing: SVG paths in a box of 120 by 80, `thick` for what is looked at. */
export interface Drawing {
  lines: { d: string; thick?: boolean; filled?: boolean }[];
}

/** How much a check takes away from the item: nothing, a trace, something that can be put back, something that cannot. */
export type Intrusiveness = 0 | 1 | 2 | 3;

/** One sign to look for. A document, not code: makers, shops and users add their own. */
export interface CheckDefinition {
  id: string;
  /** What is looked at, in a few words. */
  name: string;
  layer: string;
  strand: string;
  bearsOn: Bearing;
  answer: AnswerForm;
  /** What to do, in one or two sentences. */
  instruction: string;
  /** What a genuine item shows. */
  expected: string;
  /** What copies are known to show. */
  copies: string;
  /** P(differs | genuine). */
  g: number;
  /** P(differs | counterfeit). */
  c: number;
  support: Support;
  source: string;
  seconds: number;
  /** Only with the item in hand. */
  inHand: boolean;
  /** Conditions in which the check says nothing: `aged` for what ages, `worn` for what wears. */
  notWhen: Condition[];
  /** Ids of tools.json; without one of them the check cannot be done. */
  tools?: string[];
  intrusiveness?: Intrusiveness;
  /** What has to be noted or photographed before. */
  recordBefore?: string;
  /** Checks to be done or excused before this one, because it would destroy what they look at. */
  after: string[];
  appliesWhen?: AppliesWhen;
  /**
   * What a genuine item shows where its variant has that state of a trait, in words and, but for figures, which the
   * record says, as the answers that are right then. All entries name one trait.
   */
  expectedBy?: { trait: string; state: string; expected: string; genuine?: string[] }[];
  /** The shape or spacing that is meant, genuine and copied. */
  drawing?: { genuine: Drawing; copy: Drawing };
  /** What others have found otherwise. */
  disagree?: { note: string; source: string }[];
  caution?: string;
  /** What the listing says answers it, by one of its rules, until a person does. */
  listing?: ListingRuleName;
  /** Counts once something is read; never asked for by itself. */
  whenRead?: boolean;
  /** Trait of the variant chain that the answer shows; the answer's label is the state. */
  trait?: string;
}

/** A layer of the order of work, from the outside in. */
export interface Layer {
  id: string;
  name: string;
}

/** A place on the item where facts are printed. */
export interface Place {
  id: string;
  name: string;
  /** `said`: what the seller tells; it is compared, and is no part of the item. */
  side: 'packaging' | 'goods' | 'said';
  /** Which of a pair it is on. */
  hand?: 'left' | 'right';
  /** Fact ids that this kind of goods prints there; `size` stands for every column of the release's chart. */
  facts: string[];
  /** Shown once something is read there, or when the person asks for all places. */
  more?: boolean;
}

/** A picture that tells much of such goods: places that print something, layers, and checks that show on it. */
export interface PictureView {
  id: string;
  name: string;
  /** How it is taken. */
  how: string;
  places?: string[];
  layers?: string[];
  checks?: string[];
}

/** Everything that a kind of goods brings to a case. */
export interface KindDefinition {
  id: string;
  name: string;
  layers: Layer[];
  places: Place[];
  /** Pictures that tell much, each with what shows on it. */
  views?: PictureView[];
  /** Strand id to its name. */
  strands: Record<string, string>;
  /** What has to be minded with such goods: whatever was decided, and where they may be counterfeit. */
  handling?: { always?: string; suspected?: string };
  checks: CheckDefinition[];
  /** Hash of what the program shipped of it when a newer one was last taken over here. */
  began?: string;
}
