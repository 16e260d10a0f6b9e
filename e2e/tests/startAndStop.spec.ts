import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { PASSWORD } from '../driver/person.ts';
import { ROOT, freePort, isAlive, isPortFree } from '../../tools/system.mjs';

test.setTimeout(600_000);

/** A script of the project, run beside the others: with a folder and a port of its own. */
function runScript(name: 'start' | 'stop', state: string, port: number) {
  const child: ChildProcess = spawn('node', [join('scripts', `${name}.mjs`)], {
    cwd: ROOT,
    env: { ...process.env, WIMBEL_STATE: state, WIMBEL_PORT: String(port), WIMBEL_NOW: '2026-11-24T09:30:00Z' },
  });
  let said = '';
  child.stdout!.on('data', (chunk) => (said += String(chunk)));
  child.stderr!.on('data', (chunk) => (said += String(chunk)));
  const ended = new Promise<number>((resolve) => child.on('exit', (code) => resolve(code ?? -1)));
  return {
    child,
    ended,
    said: () => said,
    until: (words: RegExp) => expect.poll(() => said, { timeout: 240_000 }).toMatch(words),
  };
}

const account = (port: number, path: string) =>
  fetch(`http://localhost:${port}/api/auth/${path}/email`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: `http://localhost:${port}` },
    body: JSON.stringify({ email: 'keeper@example.org', password: PASSWORD, name: 'Keeper' }),
  });

const ready = (port: number): Promise<number> =>
  fetch(`http://localhost:${port}/api/health/ready`).then(
    (answer) => answer.status,
    () => 0,
  );

const databaseOf = (state: string) =>
  JSON.parse(readFileSync(join(state, 'postgres.json'), 'utf8')) as { data: string; port: number };
const databasePid = (state: string) =>
  Number(readFileSync(join(databaseOf(state).data, 'postmaster.pid'), 'utf8').split('\n')[0]);

test('it starts, says where it is, keeps its data over a stop, and leaves nothing running', async () => {
  const state = mkdtempSync(join(tmpdir(), 'wimbel-state-'));
  const port = await freePort();
  try {
    const first = runScript('start', state, port);
    await first.until(new RegExp(`Wimbel is at http://localhost:${port}`));
    expect((await fetch(`http://localhost:${port}/api/health/ready`)).status).toBe(200);
    expect(await (await fetch(`http://localhost:${port}/api/sample`)).json()).toEqual({ offered: true });
    expect((await account(port, 'sign-up')).status).toBe(200);
    const database = databasePid(state);
    expect(isAlive(database)).toBe(true);

    const again = runScript('start', state, port);
    expect(await again.ended).toBe(1);
    expect(again.said()).toContain(`Wimbel is already running at http://localhost:${port}`);

    // A server or a database that dies is started again, and nothing is lost.
    const { server } = JSON.parse(readFileSync(join(state, 'running.json'), 'utf8')) as { server: number };
    process.kill(server, 'SIGKILL');
    await first.until(/The server has ended by itself \(SIGKILL\)\.\s+Starting it again in 1 s/);
    await first.until(/The server is up again\./);
    expect((await account(port, 'sign-in')).status).toBe(200);
    process.kill(database, 'SIGKILL');
    await expect.poll(() => ready(port), { timeout: 30_000 }).toBe(503);
    expect((await fetch(`http://localhost:${port}/api/health/live`)).status).toBe(200);
    await first.until(/The database is up again\./);
    await expect.poll(() => ready(port), { timeout: 60_000 }).toBe(200);
    expect((await account(port, 'sign-in')).status).toBe(200);
    const revived = databasePid(state);

    first.child.kill('SIGINT');
    expect(await first.ended).toBe(0);
    await expect.poll(() => isAlive(revived)).toBe(false);
    expect(await isPortFree(port)).toBe(true);
    expect(await isPortFree(databaseOf(state).port)).toBe(true);

    const second = runScript('start', state, port);
    await second.until(/Wimbel is at/);
    expect((await account(port, 'sign-in')).status).toBe(200);
    const stop = runScript('stop', state, port);
    expect(await stop.ended).toBe(0);
    expect(stop.said()).toContain('Wimbel has stopped.');
    await second.ended;
    expect(await isPortFree(port)).toBe(true);
  } finally {
    const stop = runScript('stop', state, port);
    await stop.ended;
    rmSync(state, { recursive: true, force: true });
  }
});

test('it says plainly that a port is taken, or is none, and touches nothing', async () => {
  const state = mkdtempSync(join(tmpdir(), 'wimbel-state-'));
  const other = createServer();
  await new Promise<void>((resolve) => other.listen(0, '127.0.0.1', resolve));
  const { port } = other.address() as { port: number };
  const start = runScript('start', state, port);
  expect(await start.ended).toBe(1);
  expect(start.said()).toContain(`Port ${port} is taken by another program.`);
  other.close();
  const odd = runScript('start', state, 99999);
  expect(await odd.ended).toBe(1);
  expect(odd.said()).toContain('is not a port number');
  const stop = runScript('stop', state, port);
  await stop.ended;
  expect(stop.said()).toContain('Wimbel was not running.');
  rmSync(state, { recursive: true, force: true });
});
