import { spawn, spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The folder of the project, and the one for everything this machine keeps for it outside git. */
export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..');
export const STATE = process.env.WIMBEL_STATE ?? join(ROOT, '.wimbel');

export const isRoot = process.getuid?.() === 0;

/** An expected failure, reported by its message without a stack. */
export class Trouble extends Error {}

export const say = (text) => process.stdout.write(`${text}\n`);

/** Runs a command to its end and gives its output; throws Trouble with the last lines where it fails. */
export function run(command, args, { env, input, cwd = ROOT, quiet = true, what } = {}) {
  const done = spawnSync(command, args, {
    cwd,
    input,
    encoding: 'utf8',
    env: { ...process.env, ...env },
    stdio: quiet ? ['pipe', 'pipe', 'pipe'] : ['inherit', 'inherit', 'inherit'],
    maxBuffer: 256 * 1024 * 1024,
  });
  if (done.error?.code === 'ENOENT') throw new Trouble(`${what ?? command}: "${command}" is not on this machine.`);
  if (done.status !== 0) {
    const tail = `${done.stdout ?? ''}\n${done.stderr ?? ''}`.trim().split('\n').slice(-15).join('\n');
    throw new Trouble(`${what ?? `${command} ${args.join(' ')}`} failed (${done.status ?? done.signal}).\n${tail}`);
  }
  return done.stdout ?? '';
}

export const succeeds = (command, args, options = {}) =>
  spawnSync(command, args, { stdio: 'ignore', cwd: '/', ...options }).status === 0;

/** Runs a command with its output shown, without blocking, and resolves to its exit code. */
export const show = (command, args, options = {}) =>
  new Promise((resolve, reject) => {
    const child = spawn(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
    child.on('error', reject);
    child.on('exit', (code) => resolve(code ?? 1));
  });

const tryPort = (port) =>
  new Promise((resolve) => {
    const server = createServer();
    server.once('error', () => resolve(null));
    server.listen(port, '127.0.0.1', () => {
      const { port: taken } = server.address();
      server.close(() => resolve(taken));
    });
  });

export const isPortFree = async (port) => (await tryPort(port)) !== null;

/** A free port on loopback: `wanted` if it is free, else any. */
export const freePort = async (wanted = 0) => (await tryPort(wanted)) ?? tryPort(0);

/** Whether a process is there. */
export function isAlive(pid) {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === 'EPERM';
  }
}

/** Whether a process exists and is the same one: process ids are reused. */
export function isOurs(pid, word) {
  try {
    return isAlive(pid) && readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(word);
  } catch {
    return false;
  }
}

export const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** Ends a process: SIGTERM, then SIGKILL after a timeout. */
export async function endProcess(pid, patienceMs = 6000) {
  if (!isAlive(pid)) return;
  process.kill(pid, 'SIGTERM');
  for (let waited = 0; waited < patienceMs && isAlive(pid); waited += 50) await wait(50);
  if (isAlive(pid)) process.kill(pid, 'SIGKILL');
}

/** The oldest Node.js this project runs on. */
const OLDEST_NODE = [20, 19];

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major > OLDEST_NODE[0] || (major === OLDEST_NODE[0] && minor >= OLDEST_NODE[1])) return;
  throw new Trouble(
    `Wimbel needs Node.js ${OLDEST_NODE.join('.')} or newer; this is ${process.versions.node}. Nothing was changed.`,
  );
}

/** Installs Debian packages; says plainly what to do where that is not possible. */
export function aptInstall(packages, what) {
  const byHand = `Install it by hand: apt-get install ${packages.join(' ')}`;
  if (!succeeds('apt-get', ['--version'])) {
    throw new Trouble(`${what} is not on this machine, and there is no apt-get to install it with. ${byHand}`);
  }
  const prefix = isRoot ? [] : ['sudo'];
  if (!isRoot && !succeeds('sudo', ['--version'])) {
    throw new Trouble(`${what} is not on this machine, and installing it needs root or sudo. ${byHand}`);
  }
  const apt = (...args) => {
    const words = [
      ...prefix,
      'env',
      'DEBIAN_FRONTEND=noninteractive',
      'apt-get',
      '-o',
      'DPkg::Lock::Timeout=120',
      ...args,
    ];
    return spawnSync(words[0], words.slice(1), { stdio: ['inherit', 'ignore', 'pipe'], encoding: 'utf8' });
  };
  apt('update', '-q');
  const done = apt('install', '-y', '-q', '--no-install-recommends', ...packages);
  if (done.status !== 0) {
    const tail = (done.stderr ?? '').trim().split('\n').slice(-5).join('\n');
    throw new Trouble(`${what} could not be installed from Debian's packages. ${byHand}\n${tail}`);
  }
}

/** Runs a command as root, through sudo where needed. */
export const asRoot = (command, args, options = {}) =>
  isRoot ? run(command, args, options) : run('sudo', [command, ...args], options);

/** Reports a fault: in words where it was foreseen, with its stack otherwise. */
export function reportFault(error) {
  process.stderr.write(`\n${error instanceof Trouble ? error.message : (error.stack ?? error)}\n`);
}
