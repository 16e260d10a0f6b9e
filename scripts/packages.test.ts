import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { missingPackages } from '../tools/packages.mjs';

it('a package that is missing in any workspace is seen, and where it is needed', () => {
  const root = mkdtempSync(join(tmpdir(), 'wimbel-packages-'));
  const lay = (folder: string, content: object): void => {
    mkdirSync(join(root, folder), { recursive: true });
    writeFileSync(join(root, folder, 'package.json'), JSON.stringify(content));
  };
  lay('.', { name: 'all', workspaces: ['apps/*', 'bench'], devDependencies: { tool: '1' } });
  lay('apps/web', { name: 'web', dependencies: { shared: '1', own: '2' } });
  lay('bench', { name: 'bench', dependencies: { '@scope/far': '1' } });
  expect(missingPackages(root)).toEqual(['all: tool', 'web: shared', 'web: own', 'bench: @scope/far']);
  for (const name of [
    'node_modules/tool',
    'node_modules/shared',
    'apps/web/node_modules/own',
    'node_modules/@scope/far',
  ])
    lay(name, { name });
  expect(missingPackages(root)).toEqual([]);
  rmSync(join(root, 'apps/web/node_modules/own'), { recursive: true });
  expect(missingPackages(root)).toEqual(['web: own']);
});
