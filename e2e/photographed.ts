import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

interface Truth {
  facts: { place: string; fact: string; text: string }[];
  codes: { text: string }[];
}

/** A made-up label as somebody photographs it, with what it prints. */
export function photographed(seed: number, ...more: string[]): { picture: string; truth: Truth } {
  const folder = mkdtempSync(join(tmpdir(), 'pinprick-label-'));
  const command = [
    '--import',
    'tsx',
    'src/cli/main.ts',
    'specimens',
    folder,
    '--kind',
    'box-label',
    '--seed',
    String(seed),
  ];
  const said = execFileSync(process.execPath, [...command, ...more], { encoding: 'utf8' });
  const [name = ''] = (JSON.parse(said) as { written: string[] }).written;
  const picture = join(folder, name);
  return { picture, truth: JSON.parse(readFileSync(picture.replace(/jpg$/, 'json'), 'utf8')) as Truth };
}
