import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

/** `import … from 'x'` at the head of a module, and modules of ours that are brought in by `await import('./x')`. */
const HEAD = /^(?:import|export) [^'"]*from '([^']+)'/gm;
const LATER = /await import\('(\.[^']+)'\)/g;

/** The packages that must be there for a script and every module of ours that it brings in to be loaded. */
function packagesOf(file: string, seen = new Set<string>()): string[] {
  if (seen.has(file)) return [];
  seen.add(file);
  const text = readFileSync(file, 'utf8');
  return [...text.matchAll(HEAD), ...text.matchAll(LATER)].flatMap(([, name]) => {
    if (name!.startsWith('.')) return packagesOf(join(dirname(file), name!), seen);
    return name!.startsWith('node:') ? [] : [`${name} in ${file.slice(__dirname.length + 1)}`];
  });
}

it.each(['start', 'test', 'stop'])(
  'npm %s loads in a fresh clone: no module of it needs a package to be there',
  (command) => {
    expect(packagesOf(join(__dirname, `${command}.mjs`))).toEqual([]);
  },
);
