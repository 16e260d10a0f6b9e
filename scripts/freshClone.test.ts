import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

/** The packages that a script needs to be loaded at all, through all that it imports. */
function packagesOf(file: string, seen = new Set<string>()): string[] {
  if (seen.has(file)) return [];
  seen.add(file);
  return [...readFileSync(file, 'utf8').matchAll(/^(?:import|export) [^'"]*from '([^']+)'/gm)].flatMap(([, name]) =>
    name!.startsWith('.') ? packagesOf(join(dirname(file), name!), seen) : name!.startsWith('node:') ? [] : [name!],
  );
}

it.each(['start', 'test', 'stop'])('npm %s loads in a fresh clone, before any package is installed', (command) => {
  expect(packagesOf(join(__dirname, `${command}.mjs`))).toEqual([]);
});
