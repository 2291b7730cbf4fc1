import { parseArgs } from 'node:util';
import { Refusal } from '@/desk/refusal';
import { storeProblemOf } from '@/desk/storeProblem';
import { FINE, type Options, PROBLEMS, UsageError, WRONG_USE } from './outcome';

const USAGE = `pinprick: the desk without a browser

  pinprick read-code <text> [--maker NAME]   every reading of a code
  pinprick assess <case.json>                the assessment of an exported case
  pinprick export <case> [--to FILE]         a case of this desk as a file
  pinprick import <case.json|pack.zip>       take in an exported case or an evidence pack
  pinprick pack <case> --to FILE             a case as an evidence pack, with its report
  pinprick verify <case.json|pack.zip>       what was changed in it since it was made, if anything was
  pinprick records <records.json>            take in makers, charts, releases, kinds, house rules, roster
  pinprick library <file.jsonl|records.json> take in a library of any size, all of it or nothing
  pinprick export-library [--to FILE] [--maker ID]
                                             the library, or what it has of one maker, as a signed file
  pinprick learn                             learn from confirmed cases, where that is due
  pinprick prepare [--demo [--no-history]]   make or migrate the data directory, and fill in the demo world

  pinprick backup <folder> [--keep DAYS]     copy all that the desk keeps, while it works; the copy is checked
  pinprick restore <folder> [--name FILE]    put the newest backup, or that one, into an empty data directory
  pinprick check                             look at everything that the desk keeps, and say what does not hold
  pinprick anchor [--to FILE]                sign what the desk held at the end of yesterday; its root, to be kept
                                             elsewhere: as JSON, or as an EPCIS event where the file ends with .jsonld
  pinprick key [--to FILE]                   the desk's public key; the key itself, for safekeeping
  pinprick trust <public key> --name NAME    know the key of another desk
  pinprick invite <name>                     a word that lets somebody of the roster in once, to set a passphrase

  pinprick specimens <folder> [--kind ID] [--seed N] [--fault ID] [--shot ID] [--large]
                                             made-up pictures of made-up goods, each with what is true of it as JSON

JSON on standard output, messages on standard error.
Exit 0: fine. 1: problems found. 2: wrong use.
The data directory is PINPRICK_DATA, ./data by default.
`;

type Command = (what: string, options: Options) => Promise<number>;

/** Each command with what it takes, loaded when it is asked for: most of them need the whole desk. */
const COMMANDS: Record<string, { takes: string | null; load(): Promise<Command> }> = {
  'read-code': {
    takes: 'one code, in quotes where it has spaces',
    load: async () => (await import('./commands/readCode')).readCode,
  },
  assess: { takes: 'one exported case', load: async () => (await import('./commands/assess')).assess },
  export: { takes: 'one case number', load: async () => (await import('./commands/transfer')).toFile },
  import: {
    takes: 'one exported case or evidence pack',
    load: async () => (await import('./commands/transfer')).fromFile,
  },
  pack: { takes: 'one case number', load: async () => (await import('./commands/transfer')).pack },
  verify: {
    takes: 'one exported case or evidence pack',
    load: async () => (await import('./commands/transfer')).verify,
  },
  records: { takes: 'one records file', load: async () => (await import('./commands/records')).records },
  library: { takes: 'one library or records file', load: async () => (await import('./commands/library')).library },
  'export-library': { takes: null, load: async () => (await import('./commands/library')).toFile },
  // For the server, which has it read what somebody brought.
  'stage-library': { takes: 'the number of an import', load: async () => (await import('./commands/library')).stage },
  backup: { takes: 'one folder', load: async () => (await import('./commands/keeping')).backup },
  restore: { takes: 'one folder of backups', load: async () => (await import('./commands/keeping')).fromBackup },
  check: { takes: null, load: async () => (await import('./commands/keeping')).check },
  anchor: { takes: null, load: async () => (await import('./commands/keeping')).anchorDay },
  key: { takes: null, load: async () => (await import('./commands/keeping')).key },
  trust: { takes: 'one public key', load: async () => (await import('./commands/keeping')).trust },
  invite: { takes: 'one name of the roster', load: async () => (await import('./commands/people')).invite },
  learn: { takes: null, load: async () => (await import('./commands/learn')).learn },
  specimens: { takes: 'one folder', load: async () => (await import('./commands/specimens')).specimens },
  prepare: { takes: null, load: async () => (await import('./commands/prepare')).prepare },
};

async function run(args: string[]): Promise<number> {
  const { values, positionals } = parseArgs({
    args,
    allowPositionals: true,
    options: {
      maker: { type: 'string' },
      to: { type: 'string' },
      keep: { type: 'string' },
      name: { type: 'string' },
      kind: { type: 'string' },
      seed: { type: 'string' },
      fault: { type: 'string' },
      shot: { type: 'string' },
      large: { type: 'boolean' },
      demo: { type: 'boolean' },
      'no-history': { type: 'boolean' },
      help: { type: 'boolean' },
    },
  });
  if (values.help) {
    process.stdout.write(USAGE);
    return FINE;
  }
  const [name = '', what, ...more] = positionals;
  const command = COMMANDS[name];
  if (!command) throw new UsageError(name ? `There is no command “${name}”.` : 'Name a command.');
  if (command.takes !== null && (what === undefined || more.length > 0))
    throw new UsageError(`Give ${command.takes}, and nothing else.`);
  return (await command.load())(what ?? '', values);
}

/**
 * Do what the words of a command line ask for; messages go to standard error.
 *
 * @returns the exit code
 */
export async function pinprick(args: string[]): Promise<number> {
  try {
    return await run(args);
  } catch (error) {
    const { message, code, stack } = error as NodeJS.ErrnoException;
    const wrongUse = error instanceof UsageError || code?.startsWith('ERR_PARSE_ARGS');
    if (wrongUse) process.stderr.write(`${message}\n\n${USAGE}`);
    else if (error instanceof Refusal) process.stderr.write(`${message}\n`);
    else process.stderr.write(`${storeProblemOf(error)?.message ?? stack ?? error}\n`);
    return wrongUse ? WRONG_USE : PROBLEMS;
  }
}
