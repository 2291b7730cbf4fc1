import { describe, expect, it } from 'vitest';
import { genuinePrints, labelContext } from '@/demo/testing/labels';
import { cellOf } from './crossReading';
import { crossread } from './crossread';

/** What hands, phones, spreadsheets and readers do to a text that is right. */
const HANDLED: Record<string, (text: string) => string> = {
  'in small letters': (text) => text.toLowerCase(),
  'in capitals': (text) => text.toUpperCase(),
  'with wide spaces': (text) => `  ${text.replace(/ /g, '  ')} `,
  'with a point behind': (text) => `${text}.`,
  'with a comma behind': (text) => `${text},`,
  'in quotes': (text) => `“${text}”`,
  'in apostrophes': (text) => `'${text}'`,
  'in brackets': (text) => `(${text})`,
  'in square brackets and quotes': (text) => `[“${text}”]`,
  'in stars': (text) => `*${text}*`,
  'between bars': (text) => `| ${text} |`,
  'behind a colon': (text) => `: ${text}`,
  'behind a bullet': (text) => `• ${text}`,
  'behind an equals sign': (text) => `= ${text}`,
  'with no-break spaces': (text) => text.replace(/ /g, '\u00a0'),
  'with a space of no width': (text) => `${text.slice(0, 2)}\u200b${text.slice(2)}`,
  'with another dash': (text) => text.replace(/-/g, '–'),
  'with slashes set apart': (text) => text.replace(/\//g, ' / '),
  'in full width': (text) =>
    [...text].map((c) => (c > ' ' && c <= '~' ? String.fromCharCode(c.charCodeAt(0) + 0xfee0) : c)).join(''),
  'without spaces': (text) => text.replace(/ /g, ''),
  'with a tick': (text) => `${text} ✓`,
  'with a line break': (text) => `${text}\n`,
};

describe.each(['tarn-court-low-fog', 'saltmeadow', 'skerrow-cask', 'leeward-parka-kelp'])('a genuine %s', (id) => {
  const { size, printed: genuine } = genuinePrints(id);
  const printed = Object.entries(genuine);
  const differing = (handled: (text: string) => string) => {
    const reading = crossread(
      labelContext(Object.fromEntries(printed.map(([at, text]) => [at, handled(text)])), size, id),
    );
    return printed.flatMap(([at]) => {
      const [place = '', ...fact] = at.split('.');
      return cellOf(reading, place, fact.join('.'))?.mark === 'differs' ? [at] : [];
    });
  };
  const before = differing((text) => text);

  it.each(Object.entries(HANDLED))('stays one %s', (_, handled) => {
    expect(printed.length).toBeGreaterThan(5);
    expect(differing(handled)).toEqual(before);
  });
});
