import { describe, expect, it } from 'vitest';
import { readTid } from './tid';

describe('the memory that names a chip', () => {
  it.each([
    // Class E2, extended, designer 00Fh, model 022h, 48 bits of serial.
    ['E280F0222000000000001267', { designer: '00F', model: '022', serial: '000000001267' }],
    ['0xe2 80 f0 22 20 00 00 00 00 00 12 67', { designer: '00F', model: '022', serial: '000000001267' }],
    // 64 bits of serial, as the second step of the header says.
    ['E2801190400011112222333344445555', { designer: '001', model: '190', serial: '1111222233334444' }],
    // A reader that sends 96 bits of a longer one.
    ['E2801160600002054CC2096F', { designer: '001', model: '160', serial: '02054CC2096F' }],
    // Security and file bits stand beside the designer and are none of it.
    ['E2E01190', { designer: '001', model: '190', serial: null }],
    ['E2003412', { designer: '003', model: '412', serial: null }],
    ['E28011900000', { designer: '001', model: '190', serial: null }],
  ])('%s', (text, reading) => {
    expect(readTid(text)).toEqual({ reading });
  });

  it.each([
    ['30364520D009C60000011319', 'begins with 30'],
    ['E28011', '8 hexadecimal digits'],
    ['E280XX90', '8 hexadecimal digits'],
    ['000000000000', 'blank'],
    ['E2801190200000', '12 digits and 2 were read'],
  ])('%s is none', (text, problem) => {
    expect(readTid(text).problem).toContain(problem);
  });
});
