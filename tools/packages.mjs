import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, run, say } from './system.mjs';

/** Installs the packages of the lock file where they are missing or older than it. */
export function ensurePackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  const stamp = join(ROOT, 'node_modules/.wimbel-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  say('Installing packages …');
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { what: 'Installing the packages' });
  writeFileSync(stamp, lock);
}
