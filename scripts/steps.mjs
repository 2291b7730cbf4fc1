// Steps shared by the commands. Node's own modules only: these run before anything is installed.
import { spawn, spawnSync } from 'node:child_process';
import { createHash, randomInt } from 'node:crypto';
import { once } from 'node:events';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { get as httpGet } from 'node:http';
import { get as httpsGet } from 'node:https';
import { createServer } from 'node:net';
import { dirname, join } from 'node:path';
import { createSecureContext } from 'node:tls';
import { fileURLToPath } from 'node:url';

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
export const HOST = process.env.PINPRICK_HOST ?? '127.0.0.1';

/** Say a sentence and end with exit code 1. */
export function giveUp(sentence) {
  console.error(`\n${sentence}`);
  process.exit(1);
}

export function say(text) {
  console.log(`\n== ${text}`);
}

const ENVIRONMENT = { ...process.env, NEXT_TELEMETRY_DISABLED: '1' };

/** Run a program of the project to its end; returns its exit code. */
export function run(program, args, environment = {}) {
  const { status, error } = spawnSync(program, args, {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...ENVIRONMENT, ...environment },
  });
  if (error) giveUp(`${program} could not be started: ${error.message}`);
  return status ?? 1;
}

/** The script of an installed package, to be run by this very Node. */
export function bin(path) {
  return join(ROOT, 'node_modules', path);
}

export function requireNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    giveUp(`Pinprick needs Node.js 20.19 or newer; this is ${process.versions.node}.`);
  }
}

/** The port to serve on; ends with a sentence where the setting is no port. */
export function chosenPort() {
  const text = process.env.PINPRICK_PORT ?? '4310';
  const port = Number(text);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    giveUp(`PINPRICK_PORT is “${text}”; a port is a number from 1 to 65535.`);
  return port;
}

/** End with a sentence where the port cannot be had. */
export async function requirePort(port) {
  const error = await new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', resolve);
    probe.listen(port, HOST, () => probe.close(() => resolve(null)));
  });
  if (error?.code === 'EADDRINUSE') {
    giveUp(
      `Port ${port} on ${HOST} is busy; perhaps Pinprick runs already. Stop what uses it, or choose another port: PINPRICK_PORT=4311.`,
    );
  }
  if (error) giveUp(`Port ${port} on ${HOST} cannot be used (${error.code}).`);
}

function hasProgram(name) {
  return spawnSync(name, ['--version'], { stdio: 'ignore' }).error === undefined;
}

/** The database's driver is compiled here, since no ready binary may be fetched. */
function requireCompiler() {
  const missing = ['python3', 'make', 'g++'].filter((name) => !hasProgram(name));
  if (missing.length > 0) {
    giveUp(
      `The database driver is compiled on this machine, and ${missing.join(', ')} ${missing.length > 1 ? 'are' : 'is'} missing. On Debian: apt-get install python3 make g++`,
    );
  }
}

const LOCK = join(ROOT, 'package-lock.json');
const INSTALLED = join(ROOT, 'node_modules', '.pinprick-installed');
const digest = (...texts) => createHash('sha256').update(texts.join('\0')).digest('hex');

/** Install what package-lock.json names, where it is not installed already. */
export function install() {
  const wanted = digest(readFileSync(LOCK, 'utf8'), process.versions.modules);
  if (existsSync(INSTALLED) && readFileSync(INSTALLED, 'utf8') === wanted) return;
  requireCompiler();
  say('Installing packages (the database driver is compiled: about three minutes, once)');
  const headers = join(dirname(dirname(process.execPath)), 'include', 'node', 'node.h');
  const environment = { npm_config_build_from_source: 'true', npm_config_jobs: 'max' };
  // Headers beside this Node spare the compiler a download.
  if (existsSync(headers)) environment.npm_config_nodedir = dirname(dirname(dirname(headers)));
  // Not `npm ci`: it insists on lock entries for every platform's optional binaries, which a registry need not hold.
  if (run('npm', ['install', '--no-save', '--include=dev', '--loglevel=error'], environment) !== 0) {
    giveUp('The packages could not be installed; npm says why above. Nothing else was changed.');
  }
  writeFileSync(INSTALLED, wanted);
}

function filesUnder(path) {
  if (!statSync(path).isDirectory()) return [path];
  return readdirSync(path)
    .sort()
    .flatMap((name) => filesUnder(join(path, name)));
}

/** A digest of everything that the build is made from. */
function sourceDigest() {
  const roots = ['src', 'docs/formats', 'package-lock.json', 'next.config.ts', 'postcss.config.mjs', 'tsconfig.json'];
  const files = roots.flatMap((root) => filesUnder(join(ROOT, root))).filter((file) => !file.endsWith('.test.ts'));
  return digest(...files.flatMap((file) => [file.slice(ROOT.length), readFileSync(file, 'utf8')]));
}

/** Build for production, where the last build is not of these very sources. Returns the exit code. */
export function build() {
  const stamp = join(ROOT, '.next', 'pinprick-sources');
  const wanted = sourceDigest();
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return 0;
  say('Building');
  const status = run(process.execPath, [bin('next/dist/bin/next'), 'build']);
  if (status === 0) writeFileSync(stamp, wanted);
  return status;
}

const PREPARE = [bin('tsx/dist/cli.mjs'), 'src/cli/main.ts', 'prepare'];

/** Make or migrate the data directory; the sentence on failure is the desk's own. Returns the exit code. */
export function prepare(data, ...options) {
  return run(process.execPath, [...PREPARE, ...options], { PINPRICK_DATA: data });
}

/** The same beside what runs meanwhile; what it says is kept to itself. Resolves to the exit code. */
export async function prepareBeside(data, ...options) {
  const program = spawn(process.execPath, [...PREPARE, ...options], {
    cwd: ROOT,
    stdio: 'ignore',
    env: { ...ENVIRONMENT, PINPRICK_DATA: data },
  });
  const [code] = await once(program, 'exit');
  return code ?? 1;
}

const LOOPBACK = ['127.0.0.1', '::1', 'localhost'];
const { PINPRICK_CERT: CERT, PINPRICK_KEY: KEY, PINPRICK_NAMES: NAMES } = process.env;
const OPEN = `
What is sent to ${HOST} can be read on the way. Give the desk a certificate with PINPRICK_CERT and PINPRICK_KEY, or put
a proxy with TLS before it, let the desk listen to 127.0.0.1, and name the proxy’s address in PINPRICK_NAMES.`;

/** Letters and digits that nobody takes for each other. */
const PLAIN = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';
const newWord = () => Array.from({ length: 9 }, (_, i) => (i === 4 ? '-' : PLAIN[randomInt(PLAIN.length)])).join('');

/** The status that the server answers with; null where it does not. Its own certificate need not be one that we trust. */
function statusOf(address) {
  return new Promise((resolve) => {
    const get = address.startsWith('https:') ? httpsGet : httpGet;
    get(`${address}/sign-in`, { rejectUnauthorized: false }, (answer) => {
      answer.resume();
      resolve(answer.statusCode);
    }).on('error', () => resolve(null));
  });
}

/** End with a sentence where only half of a certificate is given, or it cannot be read. */
export function requireCertificate() {
  if (!CERT && !KEY) return;
  if (!CERT || !KEY) giveUp('A certificate is two files: name both, PINPRICK_CERT and PINPRICK_KEY.');
  try {
    createSecureContext({ cert: readFileSync(CERT), key: readFileSync(KEY) });
  } catch (error) {
    giveUp(`The certificate in ${CERT} with the key in ${KEY} cannot be used: ${error.message}`);
  }
}

/** A connection that nobody uses is kept so long, in ms: a hand that pauses must not meet one that is just being closed. */
export const IDLE_MS = 75_000;

/** What is under way when the desk is ended has so long, in ms. */
const GRACE_MS = 3_000;

/** Start the server and print its address once it answers; ends when the server does. */
export async function serve(port, data) {
  const wide = !LOOPBACK.includes(HOST) || NAMES;
  const word = newWord();
  const program = CERT
    ? [join(ROOT, 'scripts/serveTls.mjs'), HOST, String(port)]
    : [bin('next/dist/bin/next'), 'start', '-H', HOST, '-p', String(port), '--keepAliveTimeout', String(IDLE_MS)];
  const server = spawn(process.execPath, program, {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, ...ENVIRONMENT, PINPRICK_DATA: data, ...(wide ? { PINPRICK_SETUP: word } : {}) },
  });
  for (const signal of ['SIGINT', 'SIGTERM'])
    process.on(signal, () => {
      server.kill(signal);
      // What is under way ends well before; a browser that holds a connection open would keep it for a minute.
      setTimeout(() => server.kill('SIGKILL'), GRACE_MS).unref();
    });
  server.on('exit', (code, signal) => process.exit(signal ? 0 : (code ?? 0)));
  const address = `${CERT ? 'https' : 'http'}://${HOST}:${port}`;
  for (let attempt = 0; attempt < 150; attempt++) {
    const status = await statusOf(address);
    // A server that answers with a fault of its own is not running.
    if (status !== null && status < 500) {
      console.log(`\nPinprick is at ${address}\nIts data is in ${data}. Ctrl+C ends it.`);
      if (wide) console.log(`\nIf nobody can sign in yet, the first to come gives this word: ${word}`);
      if (!LOOPBACK.includes(HOST) && !CERT) console.log(OPEN);
      return;
    }
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  server.kill();
  giveUp(`The server did not answer at ${address} within 30 seconds.`);
}
