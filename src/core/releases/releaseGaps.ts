import { isDay } from '../dates/day';
import type { Release } from './release';

/** What a release record still lacks before it can be kept. */
export function releaseGaps(release: Release): string[] {
  const { name, colourName, styleCode, maker, source, sizes, nominal, factories, eras = [], prices = [] } = release;
  const empty = (text: string) => text.trim() === '';
  const lacks: [boolean, string][] = [
    [empty(maker), 'It names no maker.'],
    [empty(name), 'The model has no name.'],
    [empty(colourName), 'The colour or edition has no name.'],
    [empty(styleCode), 'It has no style code.'],
    [empty(source), 'It does not say where the record comes from.'],
    [sizes.length === 0, 'It has no size.'],
    [sizes.some(({ key }) => empty(key)), 'A size has no name.'],
    [release.releaseDate !== null && !isDay(release.releaseDate), 'The day of its release is no day.'],
    [
      release.leadTime.minDays >= release.leadTime.maxDays,
      'Its lead time has no span: the least is not below the most.',
    ],
    [
      Object.entries(release.marketDates ?? {}).some(([market, day]) => empty(market) || !isDay(day)),
      'A market has no name or no day.',
    ],
    [
      eras.some((era) => empty(era.name) || !isDay(era.from) || (era.until !== null && !isDay(era.until))),
      'An era has no name, or a day that is none.',
    ],
    [eras.some(({ from, until }) => until !== null && until < from), 'An era ends before it begins.'],
    [factories.some(({ code, country }) => empty(code) || empty(country)), 'A factory has no code or no country.'],
    [
      prices.some(({ market, amount, currency }) => empty(market) || amount <= 0 || currency.length !== 3),
      'A price lacks its market, amount or currency.',
    ],
    [Object.values(nominal).some(({ unit }) => empty(unit)), 'A figure has no unit.'],
    [Object.values(nominal).some((figure) => empty(figure.source)), 'A figure does not say where it is known from.'],
    [
      release.dimensions !== undefined &&
        Math.min(release.dimensions.length, release.dimensions.width, release.dimensions.height) < 10,
      'The box lacks a length, width or height.',
    ],
    [release.retired !== undefined && empty(release.retired.why), 'It does not say why it is out of use.'],
    [(release.traits ?? []).some((trait) => empty(trait.name)), 'A trait has no name.'],
  ];
  return lacks.flatMap(([is, sentence]) => (is ? [sentence] : []));
}
