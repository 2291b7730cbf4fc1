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

/** Where the answer to a check comes from. */
export type AnswerForm =
  /** The person picks one of the stated answers, by its place in the list. */
  | { form: 'choice'; choices: { label: string; outcome: Outcome }[] }
  /** A measured value, compared with a nominal measure of the release. */
  | { form: 'quantity'; measure: string; uncertainty: number }
  /** The cross-reading answers it by one of its rules, for the places named. */
  | { form: 'codes'; rule: string; places: string[] };

export type Condition = 'new' | 'worn' | 'aged';

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
  /** Conditions in which the check says nothing. */
  notWhen: Condition[];
  /** Checks to be done or excused before this one, because it would destroy what they look at. */
  after: string[];
  caution?: string;
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
  /** Fact ids that this kind of goods prints there; `size` stands for every column of the release's chart. */
  facts: string[];
  /** Shown once something is read there, or when the person asks for all places. */
  more?: boolean;
}

/** Everything that a kind of goods brings to a case. */
export interface KindDefinition {
  id: string;
  name: string;
  layers: Layer[];
  places: Place[];
  /** Strand id to its name. */
  strands: Record<string, string>;
  checks: CheckDefinition[];
}
