/** What a tag sent, once, in one round of an RFID reader. */
export interface TagRead {
  /** EPC memory in hexadecimal, without control word and check sum. */
  epc: string;
  /** The memory that names the chip, where it was read along. */
  tid?: string;
  /** User memory, where there is one and it was read along. */
  user?: string;
  /** Strength of its answer, dBm. */
  rssi: number;
}

/** A tag with all that was heard of it. */
export interface Tag extends Omit<TagRead, 'rssi'> {
  /** In so many rounds it answered. */
  heard: number;
  /** Its strongest answer, dBm. */
  rssi: number;
}

/** What a tray has heard so far. Tags answer one another into the ground, so one round tells little. */
export interface Inventory {
  rounds: number;
  /** So many rounds ago the last tag was heard that was not heard before. */
  quiet: number;
  /** In the order in which they were first heard. */
  tags: Tag[];
  /** Answers that were no tag's: cut off, or no hexadecimal digits. */
  garbled: number;
}

export const NOTHING_HEARD: Inventory = { rounds: 0, quiet: 0, tags: [], garbled: 0 };

/** A tag that answers every other round is missed by so many rounds in fewer than 1 of 100 trays: 2^-7. */
const QUIET_ROUNDS = 7;
/** A tray that goes on longer than this does not settle: something moves, or far too much lies there. */
export const MOST_ROUNDS = 60;
/** More tags than this are no item; a shelf answers. */
export const MOST_TAGS = 12;
/** An answer weaker than the strongest by this, dB, and heard in a smaller share of rounds than this, may come from beside the tray. */
const BESIDE_DB = 12;
const SELDOM = 0.7;

const WHOLE = /^(?:[0-9A-F]{4})+$/;
const isWhole = ({ epc, rssi }: TagRead): boolean => WHOLE.test(epc) && Number.isFinite(rssi);

/** True where answers of the same EPC may be of one chip: it names no other. */
const sameChip = (tag: Pick<Tag, 'tid'>, read: TagRead): boolean =>
  tag.tid === undefined || read.tid === undefined || tag.tid === read.tid;

const firstHeard = ({ epc, rssi, tid, user }: TagRead): Tag => ({
  epc,
  heard: 1,
  rssi,
  ...(tid === undefined ? {} : { tid }),
  ...(user === undefined ? {} : { user }),
});

/**
 * An inventory with one more round.
 *
 * @param reads in any order; a tag may answer twice in one round, which counts once
 */
export function withRound(inventory: Inventory, reads: TagRead[]): Inventory {
  const tags = inventory.tags.map((tag) => ({ ...tag }));
  const byEpc = new Map<string, Tag[]>();
  const note = (tag: Tag) => byEpc.set(tag.epc, [...(byEpc.get(tag.epc) ?? []), tag]);
  for (const tag of tags) note(tag);
  const answered = new Set<Tag>();
  const before = tags.length;
  const whole = reads
    .map((read) => ({ ...read, epc: read.epc.toUpperCase(), ...(read.tid ? { tid: read.tid.toUpperCase() } : {}) }))
    .filter(isWhole);
  // Whoever names its chip is told apart first; the others are counted to what is known by then.
  for (const read of whole.sort((a, b) => Number(b.tid !== undefined) - Number(a.tid !== undefined))) {
    const known = byEpc.get(read.epc)?.find((tag) => sameChip(tag, read));
    if (!known) {
      const tag = firstHeard(read);
      tags.push(tag);
      note(tag);
      answered.add(tag);
      continue;
    }
    known.tid ??= read.tid;
    known.user ??= read.user;
    known.rssi = Math.max(known.rssi, read.rssi);
    if (!answered.has(known)) known.heard++;
    answered.add(known);
  }
  return {
    rounds: inventory.rounds + 1,
    quiet: tags.length > before ? 0 : inventory.quiet + 1,
    tags,
    garbled: inventory.garbled + reads.length - whole.length,
  };
}

/** True once no tag that was not heard before answers for seven rounds. */
export const isSettled = ({ quiet }: Inventory): boolean => quiet >= QUIET_ROUNDS;

/** The tags of an inventory by where they seem to lie. */
export interface Lying {
  /** On the tray, the strongest first. */
  here: Tag[];
  /** Weak and seldom heard: perhaps a neighbour's. */
  beside: Tag[];
}

/** Tell the tags on the tray from those that may lie beside it, by how strong and how often they answer. */
export function whereTagsLie({ tags, rounds }: Inventory): Lying {
  const strongest = Math.max(...tags.map(({ rssi }) => rssi));
  const isBeside = ({ rssi, heard }: Tag) => strongest - rssi >= BESIDE_DB && heard < SELDOM * rounds;
  const byStrength = [...tags].sort((a, b) => b.rssi - a.rssi);
  return {
    here: byStrength.filter((tag) => !isBeside(tag)),
    beside: byStrength.filter(isBeside),
  };
}
