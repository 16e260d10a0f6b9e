import { createHash } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { ROOT, run, say } from './system.mjs';

const readPackage = (folder) => JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8'));

/** Folders of a repository's own packages: the root, and every workspace that it names. */
function packageFolders(root) {
  const { workspaces = [] } = readPackage(root);
  const folders = workspaces.flatMap((pattern) =>
    pattern.endsWith('/*')
      ? readdirSync(join(root, dirname(pattern))).map((name) => join(root, dirname(pattern), name))
      : [join(root, pattern)],
  );
  return [root, ...folders.filter((folder) => existsSync(join(folder, 'package.json')))];
}

/** Whether a package is installed where Node looks for it from a folder on, up to the root. */
function isInstalled(name, folder, root) {
  for (let at = folder; ; at = dirname(at)) {
    if (existsSync(join(at, 'node_modules', name, 'package.json'))) return true;
    if (at === root || at === dirname(at)) return false;
  }
}

/** The missing dependencies of a repository's packages: "apps/web: react". */
export function missingPackages(root) {
  return packageFolders(root).flatMap((folder) => {
    const { name, dependencies = {}, devDependencies = {} } = readPackage(folder);
    return Object.keys({ ...dependencies, ...devDependencies })
      .filter((each) => !isInstalled(each, folder, root))
      .map((each) => `${name}: ${each}`);
  });
}

/** Installs the lock file's packages where one is missing in any workspace, or older. */
export function ensurePackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  const stamp = join(ROOT, 'node_modules/.wimbel-lock');
  const isOfLock = existsSync(stamp) && readFileSync(stamp, 'utf8') === lock;
  if (isOfLock && missingPackages(ROOT).length === 0) return;
  say('Installing packages …');
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { what: 'Installing the packages' });
  writeFileSync(stamp, lock);
}
