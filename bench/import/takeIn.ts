import { createReadStream } from 'node:fs';
import { openDesk } from '@/desk/desk';
import { beginLibrary, bringFile, keepLibrary } from '@/desk/library/library';
import { stageLibrary } from '@/desk/library/stageLibrary';
import { THE_MACHINE } from '@/desk/people/roster';

/** Take a library in, and say what it cost: processor in seconds, most memory in MB, and how long it took to keep. */
const [, , directory = '', path = ''] = process.argv;
const desk = await openDesk(directory);
const before = process.cpuUsage();
const brought = await bringFile(desk, THE_MACHINE, 'library.jsonl', createReadStream(path));
const id = await beginLibrary(desk, THE_MACHINE, { ...brought, job: { format: 'json' } }, stageLibrary);
const read = process.cpuUsage(before);
const keeping = performance.now();
const { cleared } = await keepLibrary(desk, THE_MACHINE, id);
const kept = performance.now() - keeping;
await cleared;
await desk.store.close();
const { user, system } = process.cpuUsage(before);
console.log(
  JSON.stringify({
    cpu: (user + system) / 1e6,
    read: (read.user + read.system) / 1e6,
    kept,
    memory: process.resourceUsage().maxRSS / 1024,
  }),
);
