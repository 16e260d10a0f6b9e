import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
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
