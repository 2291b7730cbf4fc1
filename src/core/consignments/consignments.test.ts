import { describe, expect, it } from 'vitest';
import { writeEpc } from '../codes/epc';
import { type EpcisDocument, epcisOf, epcsIn } from '../formats/epcis';
import { formatProblem } from '../formats/validate';
import { readTable } from '../tables/readTable';
import { heldAgainst } from './arrival';
import { guessManifest, readManifest } from './manifest';

const TODAY = '2026-05-04';
const tag = (serial: string) =>
  writeEpc({ scheme: 'sgtin-96', filter: 1, companyPrefix: '9521204', itemReference: '010006', serial });
const EPC = tag('77');

function read(text: string) {
  const [head, ...rows] = readTable(text);
  return readManifest(rows, guessManifest(head?.cells ?? []), TODAY);
}

describe('a manifest', () => {
  it('is read whatever its separators and the language of its headings', () => {
    const { lines, wrong } = read('Artikel;Größe;Menge;Fällig\nVK4821-107;"42,5";3;09.05.2026\n');
    expect(wrong).toEqual([]);
    expect(lines).toEqual([
      expect.objectContaining({ line: 2, query: 'VK4821-107', size: '42,5', quantity: 3, due: '2026-05-09' }),
    ]);
  });
  it.each([
    ['epc\nZZZZ', /EPC/],
    ['ean\n9521204100065', /check digit/],
    ['style,qty\nA1,0', /pieces from 1/],
    ['style,qty\nA1,2.5', /pieces from 1/],
    ['style,due\nA1,1970-01-01', /is over/],
    ['style,due\nA1,soon', /no day/],
    ['style,size\n,42', /names no product/],
    [`epc,qty\n${EPC},2`, /one piece/],
  ])('“%s” is turned down with its line', (text, why) => {
    const { lines, wrong } = read(text);
    expect(lines).toEqual([]);
    expect(wrong).toEqual([{ line: 2, why: expect.stringMatching(why) }]);
  });
  it('takes no line of a tag that it names twice', () => {
    const { lines, wrong, pieces } = read(`style,epc\nA,${EPC}\nB,${tag('78')}\nC,0x${EPC.toLowerCase()}\n`);
    expect(lines.map(({ query }) => query)).toEqual(['B']);
    expect(wrong.map(({ line }) => line)).toEqual([2, 4]);
    expect(pieces).toBe(1);
  });
  it('keeps what looks like a formula as the text that it is, and counts lines within quotes', () => {
    const { lines } = read('style,note\n"=1+2","two\nlines"\nB,x');
    expect(lines.map(({ query, line }) => [query, line])).toEqual([
      ['=1+2', 2],
      ['B', 4],
    ]);
  });
  it('of fifty thousand rows is read, of more turned down', () => {
    const rows = (count: number) => `style\n${'VK4821-107\n'.repeat(count)}`;
    expect(read(rows(49_000)).pieces).toBe(49_000);
    expect(() => read(rows(50_001))).toThrow(/50,000/);
    expect(() => read('style\n"open')).toThrow(/not closed/);
  });
});

describe('an EPCIS document', () => {
  const document = (events: object[]) => ({
    '@context': ['https://ref.gs1.org/standards/epcis/2.0.0/epcis-context.jsonld'],
    type: 'EPCISDocument',
    schemaVersion: '2.0',
    creationDate: '2005-07-11T11:30:47.0Z',
    epcisBody: { eventList: events },
  });
  const seen = {
    type: 'ObjectEvent',
    action: 'OBSERVE',
    bizStep: 'shipping',
    disposition: 'in_transit',
    epcList: ['urn:epc:id:sgtin:0614141.107346.2017', 'urn:epc:id:sgtin:0614141.107346.2018'],
    eventTime: '2005-04-03T20:33:31.116000-06:00',
    eventTimeZoneOffset: '-06:00',
    readPoint: { id: 'urn:epc:id:sgln:0614141.07346.1234' },
    bizTransactionList: [{ type: 'po', bizTransaction: 'urn:epcglobal:cbv:bt:0614141073467:1152' }],
  };
  it('as the standard writes it is one, and says which tags were there', () => {
    const gone = { ...seen, action: 'DELETE', epcList: ['urn:epc:id:sgtin:0614141.107346.9'] };
    const other = { type: 'AggregationEvent', eventTime: seen.eventTime, eventTimeZoneOffset: '-06:00' };
    const whole = document([seen, gone, other, seen]);
    expect(formatProblem('epcis', whole)).toBeNull();
    expect(epcsIn(whole as EpcisDocument)).toEqual(seen.epcList);
  });
  it.each([
    [{ ...seen, eventTime: 'yesterday' }],
    [{ ...seen, action: 'SEEN' }],
    [{ ...seen, epcList: 'urn:epc:id:sgtin:0614141.107346.2017' }],
    [{ ...seen, eventTimeZoneOffset: undefined }],
  ])('that is none is turned down with a sentence: %#', (event) => {
    expect(formatProblem('epcis', JSON.parse(JSON.stringify(document([event]))))).toEqual(expect.any(String));
  });
  it('that we write is one, and reads back', () => {
    const epc = 'urn:epc:id:sgtin:9521204.010006.77';
    const written = epcisOf(
      [{ id: '0b9d7a2e-5a5c-4b43-9f0e-0f1d5b0a7c11', at: '2026-05-04T09:30:00.123Z', epc }],
      '2026-05-04T09:31:00.000Z',
    );
    expect(formatProblem('epcis', written)).toBeNull();
    expect(epcsIn(written)).toEqual([epc]);
    // Written otherwise it is the same tag.
    expect(heldAgainst([{ n: 1, epc: EPC, gtin14: null }], epcsIn(written)).here).toEqual([1]);
    expect(heldAgainst([{ n: 1, epc, gtin14: null }], ['https://id.example/01/09521204100064/21/77']).here).toEqual([
      1,
    ]);
  });
});

describe('tags held against a manifest', () => {
  const gtin14 = '09521204100064';
  it('are found by their number, else by their product, one for a piece', () => {
    const pieces = [
      { n: 1, epc: EPC, gtin14 },
      { n: 2, epc: null, gtin14 },
      { n: 3, epc: null, gtin14 },
      { n: 4, epc: null, gtin14: '00000000000017' },
    ];
    const found = heldAgainst(pieces, [EPC, `0x${tag('80').toLowerCase()}`, 'no tag!', '']);
    expect(found).toMatchObject({ here: [1, 2], missing: [3, 4], extra: [], twice: [], unreadable: ['no tag!'] });
  });
  it('that nobody named, or that come twice, are told', () => {
    const [own, other] = [tag('1'), tag('2')];
    const found = heldAgainst([{ n: 1, epc: own, gtin14: null }], [own, own, other]);
    expect(found).toMatchObject({ here: [1], missing: [], extra: [other], twice: [own] });
  });
});
