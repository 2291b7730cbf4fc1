/** One field of a scheme: its width in bits, or its widths by partition; `text`: bits a character where it is no number. */
export interface EpcField {
  name: string;
  width: number | readonly number[];
  text?: 6 | 7;
}

/** A scheme of the standard that names something else than a trade item. */
export interface OtherScheme {
  name: string;
  /** What it names, to complete “it names …”. */
  names: string;
  /** Bit at which its first field begins. */
  start: number;
  fields: EpcField[];
}

const PREFIX: EpcField = { name: 'company prefix', width: [40, 37, 34, 30, 27, 24, 20] };
const field = (name: string, width: EpcField['width'], text?: EpcField['text']): EpcField => ({
  name,
  width,
  ...(text ? { text } : {}),
});
const SHORT = [1, 4, 7, 11, 14, 17, 21];
const LONG = [18, 21, 24, 28, 31, 34, 38];

const scheme = (name: string, names: string, fields: EpcField[], start = 14): OtherScheme => ({
  name,
  names,
  fields,
  start,
});
const plus = (name: string, names: string): OtherScheme => scheme(name, names, []);

/**
 * The schemes of EPC memory by their header, beside those of trade items.
 *
 * @source GS1 EPC Tag Data Standard, table of headers and coding tables
 */
export const EPC_SCHEMES: Record<string, OtherScheme> = {
  '2C': scheme('GDTI-96', 'a document', [PREFIX, field('document type', SHORT), field('serial', 41)]),
  '2D': scheme('GSRN-96', 'a service relation', [PREFIX, field('service reference', LONG)]),
  '2E': scheme('GSRNP-96', 'a service relation', [PREFIX, field('service reference', LONG)]),
  '2F': scheme('USDoD-96', 'military goods', [field('filter', 4), field('owner', 48), field('serial', 36)], 8),
  '31': scheme('SSCC-96', 'a shipping unit', [PREFIX, field('serial reference', LONG)]),
  '32': scheme('SGLN-96', 'a place', [PREFIX, field('location reference', SHORT), field('extension', 41)]),
  '33': scheme('GRAI-96', 'a returnable asset', [
    PREFIX,
    field('asset type', [4, 7, 10, 14, 17, 20, 24]),
    field('serial', 38),
  ]),
  '34': scheme('GIAI-96', 'an asset', [PREFIX, field('asset reference', [42, 45, 48, 52, 55, 58, 62])]),
  '35': scheme(
    'GID-96',
    'something of its owner’s own',
    [field('manager', 28), field('object class', 24), field('serial', 36)],
    8,
  ),
  '37': scheme('GRAI-170', 'a returnable asset', [
    PREFIX,
    field('asset type', [4, 7, 10, 14, 17, 20, 24]),
    field('serial', 112, 7),
  ]),
  '38': scheme('GIAI-202', 'an asset', [PREFIX, field('asset reference', [148, 151, 154, 158, 161, 164, 168], 7)]),
  '39': scheme('SGLN-195', 'a place', [PREFIX, field('location reference', SHORT), field('extension', 140, 7)]),
  '3B': scheme('ADI-var', 'a part of an aircraft', [field('filter', 6), field('maker', 36, 6)], 8),
  '3C': scheme('CPI-96', 'a component', [
    PREFIX,
    field('part reference', [11, 14, 17, 21, 24, 27, 31]),
    field('serial', 31),
  ]),
  '3D': scheme('CPI-var', 'a component', [PREFIX]),
  '3E': scheme('GDTI-174', 'a document', [PREFIX, field('document type', SHORT), field('serial', 119, 7)]),
  '3F': scheme('SGCN-96', 'a coupon', [PREFIX, field('coupon reference', SHORT), field('serial', 41)]),
  '40': scheme('ITIP-110', 'one piece of an item that comes in several', [
    PREFIX,
    field('item reference', [4, 7, 10, 14, 17, 20, 24]),
    field('piece', 7),
    field('of', 7),
    field('serial', 38),
  ]),
  '41': scheme('ITIP-212', 'one piece of an item that comes in several', [
    PREFIX,
    field('item reference', [4, 7, 10, 14, 17, 20, 24]),
    field('piece', 7),
    field('of', 7),
    field('serial', 140, 7),
  ]),
  F1: plus('GRAI+', 'a returnable asset'),
  F2: plus('SGLN+', 'a place'),
  F3: plus('ITIP+', 'one piece of an item that comes in several'),
  F4: plus('GSRN+', 'a service relation'),
  F5: plus('GSRNP+', 'a service relation'),
  F6: plus('GDTI+', 'a document'),
  F8: plus('SGCN+', 'a coupon'),
  F9: plus('SSCC+', 'a shipping unit'),
  FA: plus('GIAI+', 'an asset'),
  F0: plus('CPI+', 'a component'),
};
