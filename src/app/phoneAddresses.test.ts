import { describe, expect, it } from 'vitest';
import { phoneAddresses } from './phoneAddresses';

const HERE = ['localhost', '127.0.0.1', '[::1]'];
const at = (host: string, names: string[]) => phoneAddresses(host, 'http:', '/phone/x', [...HERE, ...names]);

describe('where a phone finds the desk', () => {
  it('is nowhere as long as it listens on its own machine only', () => {
    expect(at('127.0.0.1:4310', [])).toEqual([]);
  });

  it('begins with the name under which whoever asks came, then the plain addresses', () => {
    const names = ['127.0.0.1', '10.0.0.7', '[fd00::7]', '[fe80::1]', 'desk.example'];
    expect(at('desk.example:4310', names)).toEqual([
      'http://desk.example:4310/phone/x',
      'http://10.0.0.7:4310/phone/x',
      'http://[fd00::7]:4310/phone/x',
    ]);
  });

  it('has no port where the door has none', () => {
    expect(phoneAddresses('desk.example', 'https:', '/p', ['desk.example'])).toEqual(['https://desk.example/p']);
  });
});
