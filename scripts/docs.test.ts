import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import ts from 'typescript';

const ROOT = join(__dirname, '..');

/** The exports of a source file that no doc comment stands before. */
function undocumented(file: string, source: string): string[] {
  const tree = ts.createSourceFile(file, source, ts.ScriptTarget.Latest, true);
  return tree.statements.flatMap((statement) => {
    const modifiers = ts.canHaveModifiers(statement) ? (ts.getModifiers(statement) ?? []) : [];
    if (!modifiers.some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword)) return [];
    if (/\/\*\*/.test(tree.text.slice(statement.getFullStart(), statement.getStart()))) return [];
    const named = ts.isVariableStatement(statement) ? statement.declarationList.declarations[0] : statement;
    return [`${file}: ${(named as { name?: ts.Node }).name?.getText() ?? '?'}`];
  });
}

it('every export of core, contract and exchange has its line of doc', () => {
  const listed = execFileSync('git', ['ls-files', 'packages'], { cwd: ROOT, encoding: 'utf8' });
  const files = listed
    .split('\n')
    .filter((file) => /\.ts$/.test(file) && !/\.test\.|\/testing\/|index\.ts$|\.d\.ts$/.test(file));
  expect(files.length).toBeGreaterThan(80);
  expect(files.flatMap((file) => undocumented(file, readFileSync(join(ROOT, file), 'utf8')))).toEqual([]);
  expect(undocumented('a.ts', 'export const bare = 1;')).toEqual(['a.ts: bare']);
});

it('every file and name that docs/where.md lists is there', () => {
  const rows = readFileSync(join(ROOT, 'docs/where.md'), 'utf8').match(/^\|[^|]+\| `.*$/gm) ?? [];
  expect(rows.length).toBeGreaterThan(60);
  const missing = rows.filter((row) => {
    const [, file = '', name = ''] = /^\|[^|]+\| `([^`]+)` *\|(?: `(\w+)`)?/.exec(row) ?? [];
    const text = existsSync(join(ROOT, file)) ? readFileSync(join(ROOT, file), 'utf8') : null;
    return text === null || (name !== '' && !new RegExp(`export [^=(]*\\b${name}\\b`).test(text));
  });
  expect(missing).toEqual([]);
});

it('every path and link in the docs leads to a file', () => {
  const files = execFileSync('git', ['ls-files'], { cwd: ROOT, encoding: 'utf8' }).trim().split('\n');
  const docs = files.filter((file) => file.endsWith('.md'));
  const broken = docs.flatMap((doc) => {
    const text = readFileSync(join(ROOT, doc), 'utf8');
    const links = [...text.matchAll(/\]\(([^)#:]+)\)/g)].map(([, to]) => join(dirname(doc), to!));
    const paths = [...text.matchAll(/`((?:apps|packages|tools|scripts|e2e|bench|docs)\/[\w./()-]+)`/g)].map(
      ([, to]) => to!,
    );
    const named = [...text.matchAll(/`([\w./()-]+\.(?:ts|tsx|mjs|cjs))`/g)].map(([, to]) => to!);
    const lost = named.filter((to) => !files.some((each) => each === to || each.endsWith(`/${to}`)));
    return [...[...links, ...paths].filter((to) => !existsSync(join(ROOT, to))), ...lost].map((to) => `${doc}: ${to}`);
  });
  expect(docs.length).toBeGreaterThan(10);
  expect(broken).toEqual([]);
});
