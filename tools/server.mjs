import { fork } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { randomBytes } from 'node:crypto';
import { basename, dirname, join } from 'node:path';
import { MIGRATIONS, SERVER_MAIN, WEB_DIST } from './build.mjs';
import { STATE, Trouble } from './system.mjs';

const LOG_SIZE = '10M';
const LOG_FILES = 4;

/** The secret that signs sessions on this machine, made once. */
export function machineSecret() {
  const file = join(STATE, 'secret');
  mkdirSync(STATE, { recursive: true });
  if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString('base64url'), { mode: 0o600 });
  return readFileSync(file, 'utf8').trim();
}

/**
 * Starts the built server as a process of its own and resolves once it listens. Its log goes to a file.
 * Throws Trouble with what it said where it does not come up.
 */
export async function startServer({ databaseUrl, port, secret, sampleFile, logFile, env = {} }) {
  // Imported late: packages may only just have been installed.
  const { createStream } = await import('rotating-file-stream');
  mkdirSync(STATE, { recursive: true });
  const child = fork(SERVER_MAIN, [], {
    stdio: ['ignore', 'pipe', 'pipe', 'ipc'],
    // Does not inherit the script's loaders. Small semi-spaces: most allocations live for one request.
    execArgv: ['--max-semi-space-size=4'],
    // Own process group, so that Ctrl-C reaches it through the script.
    detached: true,
    env: {
      ...process.env,
      NODE_ENV: 'production',
      MALLOC_ARENA_MAX: '2',
      WIMBEL_DATABASE_URL: databaseUrl,
      WIMBEL_PORT: String(port),
      WIMBEL_SECRET: secret,
      WIMBEL_MIGRATIONS: MIGRATIONS,
      WIMBEL_WEB_ROOT: WEB_DIST,
      WIMBEL_SAMPLE_FILE: sampleFile ?? '',
      ...env,
    },
  });
  const file = logFile ?? join(STATE, 'server.log');
  // Log rotation.
  const log = createStream(basename(file), { path: dirname(file), size: LOG_SIZE, maxFiles: LOG_FILES });
  const said = [];
  for (const stream of [child.stdout, child.stderr]) {
    stream.on('data', (chunk) => {
      log.write(chunk);
      said.push(String(chunk));
      if (said.length > 40) said.shift();
    });
  }
  const ended = new Promise((resolve) => child.on('exit', (code, signal) => resolve(signal ?? `code ${code}`)));
  // Worker processes may still write after it has exited.
  child.on('close', () => log.end());
  return new Promise((resolve, reject) => {
    child.on('message', (message) => {
      if (message?.listening)
        resolve({
          child,
          ended,
          pid: child.pid,
          port: message.listening,
          url: `http://localhost:${message.listening}`,
        });
    });
    child.on('exit', (code) =>
      reject(
        new Trouble(`The server did not start (${code}).\n${said.join('').trim().split('\n').slice(-6).join('\n')}`),
      ),
    );
  });
}
