import { readFile, writeFile } from 'node:fs/promises';
import { parseArgs } from 'node:util';
import { fold } from '@/core/casefile/fold';
import { readCode } from '@/core/codes/readCode';
import { assess } from '@/core/judgement/assess';
import { groundsOf } from '@/core/judgement/grounds';
import { verdictSentences } from '@/core/judgement/sentences';
import { SCHEMES } from '@/demo/codeSchemes';
import { fillDemo } from '@/demo/fillDemo';
import { MAKERS } from '@/demo/makers';
import { readCaseFolder } from '@/desk/caseFolder';
import { type Desk, openDesk, StoreProblem } from '@/desk/desk';
import { parseRecords, saveRecords } from '@/desk/records';
import { Refusal } from '@/desk/refusal';
import { listCodeSchemes, listMakers } from '@/desk/releases';
import { carriedGrounds, exportCase, parseCaseExport } from '@/desk/transfer';

const USAGE = `pinprick: the desk without a browser

  pinprick read-code <text> [--maker NAME]   every reading of a code
  pinprick assess <case.json>                the assessment of an exported case
  pinprick export <case> [--to FILE]         a case of this desk as a file
  pinprick import <case.json|pack.zip>       take in an exported case or an evidence pack
  pinprick pack <case> --to FILE             a case as an evidence pack, with its report
  pinprick verify <case.json|pack.zip>       what was changed in it since it was made, if anything was
  pinprick records <records.json>            take in makers, charts, releases, kinds, house rules, roster
  pinprick prepare [--demo [--no-history]]   make or migrate the data directory, and fill in the demo world

JSON on standard output, messages on standard error.
Exit 0: fine. 1: problems found. 2: wrong use.
The data directory is PINPRICK_DATA, ./data by default.
`;

/** Wrong use of the command line: exit 2. */
class UsageError extends Error {}

const FINE = 0;
const PROBLEMS = 1;
const WRONG_USE = 2;

const print = (value: unknown): void => {
  process.stdout.write(`${JSON.stringify(value, null, 2)}\n`);
};

async function withDesk<T>(work: (desk: Desk) => Promise<T>): Promise<T> {
  const desk = await openDesk(process.env.PINPRICK_DATA ?? './data');
  try {
    return await work(desk);
  } finally {
    await desk.store.close();
  }
}

async function bytesOf(path: string): Promise<Uint8Array> {
  try {
    return await readFile(path);
  } catch (error) {
    throw new Refusal('notFound', `The file ${path} cannot be read (${(error as NodeJS.ErrnoException).code}).`);
  }
}

const textOf = async (path: string): Promise<string> => new TextDecoder().decode(await bytesOf(path));

/** The makers that this desk knows; the demo world's where it knows none. */
async function knownMakers(name: string | undefined) {
  const known = await withDesk(listMakers);
  const makers = known.length > 0 ? known : MAKERS;
  if (!name) return makers;
  const wanted = makers.filter((maker) => maker.name.toLowerCase() === name.toLowerCase() || maker.id === name);
  if (wanted.length === 0)
    throw new UsageError(`No maker is called “${name}”; known are ${makers.map((maker) => maker.name).join(', ')}.`);
  return wanted;
}

async function readCodeCommand(text: string, maker: string | undefined): Promise<number> {
  const makers = await knownMakers(maker);
  const kept = await withDesk(listCodeSchemes);
  const schemes = (kept.length > 0 ? kept : SCHEMES).filter((scheme) => makers.some(({ id }) => id === scheme.maker));
  const readings = readCode(text, makers, schemes, new Date().toISOString().slice(0, 10));
  print({ text, readings });
  return readings.some(({ problems }) => problems.length === 0) ? FINE : PROBLEMS;
}

async function assessCommand(path: string): Promise<number> {
  const exported = parseCaseExport(await textOf(path));
  const file = fold(exported.id, exported.events);
  const assessment = assess(file, groundsOf(carriedGrounds(exported)));
  const { goods, packaging, states, weighing, oneFault, chain, parting, findings, reading } = assessment;
  print({
    case: file.number,
    head: file.head,
    goods,
    packaging,
    states,
    weight: weighing.weight,
    strands: weighing.strands.map(({ strand, weight, checks }) => ({
      strand,
      weight,
      checks: checks.map(({ finding, weight: own }) => ({ check: finding.check.id, mark: finding.mark, weight: own })),
    })),
    readings: { weighing: goods.decision, oneFault: oneFault.says, chain: chain.says, parting },
    problems: reading.problems,
    open: findings.filter(({ mark }) => mark === 'open').map(({ check }) => check.id),
    sentences: verdictSentences(file, assessment).map(({ text }) => text),
  });
  return findings.some(({ mark }) => mark === 'differs') ? PROBLEMS : FINE;
}

async function exportCommand(number: string, to: string | undefined): Promise<number> {
  const exported = await withDesk((desk) => exportCase(desk, number));
  if (to) await writeFile(to, `${JSON.stringify(exported, null, 2)}\n`);
  else print(exported);
  return FINE;
}

async function packCommand(number: string, to: string | undefined): Promise<number> {
  if (!to) throw new UsageError('Say where to write the pack: --to FILE.');
  const { makePack } = await import('@/desk/pack');
  const pack = await withDesk((desk) => makePack(desk, number));
  await writeFile(to, pack);
  print({ case: number, file: to, bytes: pack.length });
  return FINE;
}

async function verifyCommand(path: string): Promise<number> {
  const { verifyFile } = await import('@/desk/pack');
  const changed = verifyFile(await bytesOf(path));
  print({ file: path, intact: changed.length === 0, changed });
  return changed.length === 0 ? FINE : PROBLEMS;
}

async function importCommand(path: string): Promise<number> {
  const { importFile } = await import('@/desk/pack');
  const bytes = await bytesOf(path);
  const taken = await withDesk(async (desk) => {
    const number = await importFile(desk, bytes);
    return { number, head: (await readCaseFolder(desk, number)).events.at(-1)?.hash };
  });
  print(taken);
  return FINE;
}

async function recordsCommand(path: string): Promise<number> {
  const entries = parseRecords(await textOf(path));
  await withDesk((desk) => saveRecords(desk, entries));
  print({ kept: entries.map(({ kind, body }) => `${kind} ${body.id}`) });
  return FINE;
}

async function prepareCommand(demo: boolean, history: boolean): Promise<number> {
  const laidOut = await withDesk((desk) => (demo ? fillDemo(desk, { history }) : Promise.resolve(0)));
  process.stderr.write(
    laidOut > 0 ? `The demo world is laid out: ${laidOut} cases.\n` : 'The data directory is ready.\n',
  );
  return FINE;
}

function one(positionals: string[], what: string): string {
  const [first, ...more] = positionals;
  if (first === undefined || more.length > 0) throw new UsageError(`Give ${what}, and nothing else.`);
  return first;
}

async function run(): Promise<number> {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: {
      maker: { type: 'string' },
      to: { type: 'string' },
      demo: { type: 'boolean' },
      'no-history': { type: 'boolean' },
      help: { type: 'boolean' },
    },
  });
  const [command, ...rest] = positionals;
  if (values.help) {
    process.stdout.write(USAGE);
    return FINE;
  }
  switch (command) {
    case 'read-code':
      return readCodeCommand(one(rest, 'one code, in quotes where it has spaces'), values.maker);
    case 'assess':
      return assessCommand(one(rest, 'one exported case'));
    case 'export':
      return exportCommand(one(rest, 'one case number'), values.to);
    case 'import':
      return importCommand(one(rest, 'one exported case or evidence pack'));
    case 'pack':
      return packCommand(one(rest, 'one case number'), values.to);
    case 'verify':
      return verifyCommand(one(rest, 'one exported case or evidence pack'));
    case 'records':
      return recordsCommand(one(rest, 'one records file'));
    case 'prepare':
      return prepareCommand(values.demo ?? false, !values['no-history']);
    default:
      throw new UsageError(command ? `There is no command “${command}”.` : 'Name a command.');
  }
}

run().then(
  (code) => {
    process.exitCode = code;
  },
  (error) => {
    const wrongUse = error instanceof UsageError || error?.code?.startsWith('ERR_PARSE_ARGS');
    if (wrongUse) process.stderr.write(`${error.message}\n\n${USAGE}`);
    else if (error instanceof Refusal || error instanceof StoreProblem) process.stderr.write(`${error.message}\n`);
    else process.stderr.write(`${error?.stack ?? error}\n`);
    process.exitCode = wrongUse ? WRONG_USE : PROBLEMS;
  },
);
