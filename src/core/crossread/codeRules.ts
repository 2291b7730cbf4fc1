import { fitVariants } from '../releases/variantFit';
import type { Cell } from './cell';
import { placeName } from './context';
import { cellOf } from './crossReading';
import { factName } from './facts';
import type { Problem } from './problem';
import { isAbout, REGISTERED_FACTS } from './registered';
import {
  agrees,
  cantTell,
  differs,
  entered,
  isAsRecorded,
  open,
  otherProduct,
  ownProblems,
  type Rule,
  unknown,
  unread,
} from './ruleOutcome';

/** A code parses in its maker's scheme and means a date that suits the release. */
export const codeFitsScheme =
  (fact: string): Rule =>
  (reading, context, [place = '']) => {
    const cells = entered(reading, place, [fact]);
    const [cell] = cells;
    const name = factName(fact, context.chart);
    if (!cell?.reading) return unread(cells, name.charAt(0).toUpperCase() + name.slice(1));
    if (!cell.reading.decoded && !cell.reading.misfit)
      return cantTell('No scheme of this maker’s codes is in the records.');
    const other = otherProduct(place, context);
    if (other) return cantTell(other);
    const wrong = cell.problems.filter(({ kind }) => ['schemeMisfit', 'implausibleDate', 'tieBroken'].includes(kind));
    if (wrong.length > 0) return differs(wrong);
    return agrees(`${cell.display}: ${cell.reading.says ?? 'fits its scheme'}.`);
  };

/** A fact stands at one place as the record has it. */
export const factFits =
  (fact: string): Rule =>
  (reading, context, [place = '']) => {
    const cells = entered(reading, place, [fact]);
    const [cell] = cells;
    const name = factName(fact, context.chart);
    if (!cell?.reading) {
      const impossible = cell?.problems.filter(({ kind }) => kind === 'impossible') ?? [];
      return impossible.length > 0 ? differs(impossible) : unread(cells, name.charAt(0).toUpperCase() + name.slice(1));
    }
    const problems = ownProblems([cell]);
    if (problems.length > 0) return differs(problems);
    return isAsRecorded(cell, context) ? agrees(`${cell.display}: ${cell.note}.`) : unknown(cell);
  };

/** The packaging is of an era in which the item can have been packed. */
export const eraFits: Rule = (reading, context, [place = '']) => {
  const cells = entered(reading, place, ['era']);
  const [cell] = cells;
  if (!cell?.reading) return unread(cells, 'Era');
  const problems = ownProblems([cell]);
  if (problems.length > 0) return differs(problems);
  if (!cell.reading.made) return unknown(cell);
  const isPacked = ({ place = '' }: { place?: string }) =>
    context.kind.places.find(({ id }) => id === place)?.side === 'packaging';
  const dated = reading.dates.facts.some((each) => each.fact !== 'era' && isPacked(each));
  if (!dated && !context.release?.releaseDate) return cantTell(`${cell.display}: no date to hold it against.`);
  return agrees(`${cell.display}, ${cell.reading.says}: no date speaks against it.`);
};

/** Two pieces each carry their own. */
export const differBetween =
  (fact: string): Rule =>
  (reading, context, places) => {
    const cells = places
      .map((place) => cellOf(reading, place, fact))
      .filter((cell): cell is Cell => cell?.reading != null);
    const name = factName(fact, context.chart);
    if (cells.length < 2) return open(`The ${name} is not read on both pieces.`);
    const same = cells.flatMap(({ problems }) => problems).filter(({ kind }) => kind === 'placesSame');
    return same.length > 0
      ? differs(same)
      : agrees(`${cells.map(({ display }) => display).join(' and ')}: each its own.`);
  };

/** No date at these places contradicts another one. What the seller claims is shown, and weighed elsewhere. */
export const datesTogether: Rule = (reading, context, places) => {
  const here = (problem: Problem) => places.includes(problem.place) && problem.fact !== 'boughtOn';
  const claimed = (problem: Problem) => problem.kind === 'datesContradict' && problem.with.endsWith('.boughtOn');
  // Both ends of one window are one date.
  const all = reading.dates.facts.filter(({ place, id }) => place && !id.endsWith('.end'));
  const dated = all.filter(({ place = '' }) => places.includes(place));
  if (dated.length === 0) return open('No date is read there.');
  const wrong = reading.dates.problems.filter((problem) => here(problem) && !claimed(problem));
  if (wrong.length > 0) return differs(wrong);
  if (places.length > 1 && new Set(dated.map(({ place }) => place)).size < 2)
    return open('A date is read on one of the two only.');
  if (all.length < 2 || !context.release) return open('There is no second date to hold it against.');
  return agrees('The dates can all be right together.');
};

/** A chip is there, answers, and holds an EPC. */
export const chip: Rule = (reading, context, [place = '']) => {
  const cell = cellOf(reading, place, 'epc');
  if (!cell?.entry) return open('The tag is not read yet.');
  if (cell.reading) {
    const problems = ownProblems([cell]).filter(({ kind }) => kind === 'differs');
    return problems.length > 0 ? differs(problems) : agrees(`${cell.reading.says ?? cell.display}.`);
  }
  if (cell.entry.state === 'illegible') return cantTell('There is a chip, and it does not answer; try another reader.');
  const impossible = cell.problems.filter(({ kind }) => kind === 'impossible');
  if (impossible.length > 0) return differs(impossible);
  if (cell.entry.state !== 'absent') return cantTell(cell.note);
  const trait = context.release?.traits?.find(({ seen }) => seen.by === 'presence' && seen.fact === 'epc');
  const without =
    trait &&
    context.release?.variants.some(
      ({ traits }) => trait.seen.by === 'presence' && traits[trait.id]?.includes(trait.seen.absent),
    );
  if (without) return cantTell('No chip; some genuine variants of this release have none, so the chain decides.');
  const sentence = 'There is no chip in the tag: it is a paper look-alike, or there is none.';
  return differs([{ kind: 'differs', expected: 'a chip', found: 'no chip', place, fact: 'epc', sentence }]);
};

/** The tag names the same item as the label. */
export const epcFitsLabel: Rule = (reading, context, [tag = '', label = '']) => {
  const inTag = cellOf(reading, tag, 'gtin');
  if (!inTag?.reading) return open('No EPC is read.');
  const onLabel = cellOf(reading, label, 'gtin');
  if (onLabel?.reading && onLabel.reading.normal !== inTag.reading.normal) {
    const sentence = `The tag stands for ${inTag.display}, the ${placeName(context, label)} prints ${onLabel.display}.`;
    return differs([{ kind: 'placesDiffer', otherPlace: label, place: tag, fact: 'gtin', sentence }]);
  }
  const problems = ownProblems([inTag]);
  if (problems.length > 0 && !onLabel?.reading) return differs(problems);
  return onLabel?.reading || inTag.mark === 'agrees'
    ? agrees(`The tag stands for ${inTag.display}${onLabel?.reading ? ', as the label prints' : ''}.`)
    : cantTell(inTag.note);
};

/** One item carries one tag. */
export const oneTag: Rule = (reading, _context, [place = '']) => {
  const cell = cellOf(reading, place, 'secondEpc');
  if (!cell?.entry) return open('Not looked for a second tag.');
  if (cell.entry.state === 'absent') return agrees('Only one tag was found.');
  if (cell.problems.length > 0) return differs(cell.problems);
  const sentence = 'A second tag is on the item; a genuine one carries one tag.';
  return differs([{ kind: 'secondTag', place, fact: 'secondEpc', sentence }]);
};

/** What a DataMatrix or QR symbol says is what is printed beside it. */
export const symbolFitsLabel: Rule = (reading, context, [scan = '', ...labels]) => {
  const symbol = cellOf(reading, scan, 'symbol');
  if (!symbol?.entry) return open('No symbol is scanned.');
  if (!symbol.reading) return symbol.mark === 'differs' ? differs(symbol.problems) : cantTell(symbol.note);
  const problems: Problem[] = [];
  let compared = 0;
  for (const fact of ['gtin', 'batchCode', 'unitNumber']) {
    const inSymbol = cellOf(reading, scan, fact);
    if (!inSymbol?.reading) continue;
    for (const place of labels) {
      const printed = cellOf(reading, place, fact);
      if (!printed?.reading) continue;
      compared++;
      if (printed.reading.normal === inSymbol.reading.normal) continue;
      const sentence = `The symbol says ${factName(fact, null)} ${inSymbol.display}, the ${placeName(context, place)} prints ${printed.display}.`;
      problems.push({ kind: 'placesDiffer', otherPlace: place, place: scan, fact, sentence });
    }
  }
  if (problems.length > 0) return differs(problems);
  return compared > 0
    ? agrees('The symbol says what is printed.')
    : open('Nothing printed is read to hold the symbol against.');
};

/** Some single genuine variant accounts for every trait that is printed. */
export const oneVariant: Rule = (reading, context) => {
  const { fits, holds, mends } = fitVariants(context.release?.variants ?? [], reading.traits);
  if (fits.length < 2 || reading.traits.length < 2) return open('Too little is read that tells variants apart.');
  const possible = fits.filter(({ broken }) => broken.length === 0).map(({ variant }) => variant.name);
  if (holds) return agrees(`${possible.join(' or ')} accounts for all that is printed.`);
  if (context.release?.incomplete)
    return open('No variant that the record knows accounts for what is printed, and it does not know all.');
  const sets = mends.map((set) => set.map(({ label }) => label).join(' and ')).join('; or ');
  const sentence = `No single genuine variant accounts for what is printed; it would be mended without ${sets}.`;
  return differs([{ kind: 'brokenChain', place: '', fact: '', sentence }]);
};

/** Wherever the size recurs it is the claimed one: insole, notches, mirrored print, sole, insert. */
export const sizeRecurs: Rule = (reading, context, places) => {
  const cells = places.flatMap((place) =>
    reading.rows
      .filter(({ fact }) => fact.id.startsWith('size') || fact.id === 'notches' || fact.id === 'mirroredSize')
      .flatMap((row) => (row.cells[place]?.entry ? [row.cells[place] as Cell] : [])),
  );
  const read = cells.filter((cell) => cell.reading);
  const impossible = cells.flatMap(({ problems }) => problems).filter(({ kind }) => kind === 'impossible');
  if (impossible.length > 0) return differs(impossible);
  if (read.length === 0) return unread(cells, 'Recurring size');
  const problems = ownProblems(read);
  if (problems.length > 0) return differs(problems);
  if (!context.sizeKey) return cantTell('No size is claimed yet.');
  const strange = read.find((cell) => !isAsRecorded(cell, context));
  if (strange) return unknown(strange);
  return agrees(`${read.map(({ display }) => display).join(', ')}: size ${context.sizeKey} throughout.`);
};

/**
 * A code that the register met before. A unique one met elsewhere differs outright. One that recurs tells by
 * how many of the items that carry it proved counterfeit, each further one telling less than the one before.
 */
export const seenBefore: Rule = (reading, context, places) => {
  const cells = reading.rows.flatMap((row) => Object.values(row.cells)).filter(({ place }) => places.includes(place));
  const met = Object.values(context.met).filter((each) =>
    cells.some((cell) => cell.reading && isAbout(each, cell.fact, cell.reading.normal)),
  );
  const unique = cells.flatMap(({ problems }) => problems).filter(({ kind }) => kind === 'seenBefore');
  if (unique.length > 0) return { ...differs(unique), c: 0.5 };
  const worst = met
    .filter(({ shared, counts }) => shared && counts.counterfeit > 0)
    .sort((a, b) => b.counts.counterfeit - a.counts.counterfeit)[0];
  if (worst) {
    const { counterfeit, genuine } = worst.counts;
    const bad = counterfeit / (counterfeit + genuine);
    const saturating = 1 - (1 - RECURRENT_TELLS) ** counterfeit;
    const numbers = worst.others.map(({ number }) => number);
    const sentence = `The ${factName(worst.fact, context.chart)} ${worst.display} was met on ${counterfeit} ${counterfeit === 1 ? 'item' : 'items'} found counterfeit here and on ${genuine} found genuine.`;
    const cell = cells.find(({ fact }) => fact === worst.fact);
    const problem: Problem = { kind: 'seenBefore', numbers, place: cell?.place ?? '', fact: worst.fact, sentence };
    return { ...differs([problem]), c: Math.max(0.02, saturating * bad) };
  }
  if (met.length > 0) return agrees('Its codes were met before, on nothing that was found counterfeit.');
  const registered = cells.some(({ fact, reading: read }) => read && REGISTERED_FACTS.includes(fact));
  return registered
    ? agrees('Its codes were not met on any other item.')
    : open('No code is read that the register keeps.');
};

/** What one counterfeit with the same recurrent code tells: P(met on a counterfeit | counterfeit). */
const RECURRENT_TELLS = 0.15;
