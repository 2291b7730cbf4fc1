import { spawn } from 'node:child_process';
import type { Desk } from '../desk';
import { haltImport } from './haltImport';

/** Imports that a program of their own is reading, by data directory and number. */
const running = new Set<string>();

/** Read the file of an import in a program of its own: nobody at the desk waits for it. */
export function stageElsewhere(desk: Desk, id: number): void {
  const { directory } = desk.store;
  const name = `${directory} ${id}`;
  if (running.has(name)) return;
  running.add(name);
  const ended = async () => {
    running.delete(name);
    await haltImport(desk, id, 'The program that read it ended before its time. It can go on where it stopped.');
  };
  spawn(process.execPath, ['--import', 'tsx', 'src/cli/main.ts', 'stage-library', String(id)], {
    stdio: 'ignore',
    env: { ...process.env, PINPRICK_DATA: directory },
  })
    .on('error', () => void ended().catch(console.error))
    .on('exit', () => void ended().catch(console.error));
}
