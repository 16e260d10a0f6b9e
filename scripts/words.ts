import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';

/** Prints every text of the app that a person can see or hear, by file, to be read aloud: `npm run words`. */

const ROOT = join(import.meta.dirname, '..');
/** Fields and attributes that hold no words for people. */
const CODE_NAMES =
  /^(key|id|testID|testId|type|tone|kind|role|name|style|href|path|value|mode|figure|icon|autoComplete|inputMode|field|collection|nativeID|animationType|fontFamily|align.*|justify.*|flex.*|position|overflow|textAlign|textAnchor|fill|stroke.*|pointerEvents|by|of|is|as|block|keyboard.*|transition.*|status|code|state|window|dataSet|aria-(live|haspopup|controls|activedescendant))$/;

/** Whether a text reads as words: it has a space between letters, or begins with a capital. */
const isWords = (text: string): boolean =>
  /\p{L}{2,}[\s,.…]+\p{L}/u.test(text) || /^\p{Lu}\p{Ll}{2,}[.…]?$/u.test(text.trim());

/** The texts of a source file, in order; what is computed into them stands as …. */
export function textsOf(file: string, source: string): string[] {
  const tree = ts.createSourceFile(file, source, ts.ScriptTarget.Latest, true);
  const texts: string[] = [];
  const add = (text: string): void => {
    const plain = text.replace(/\s+/g, ' ').trim();
    if (isWords(plain)) texts.push(plain);
  };
  const isCode = (node: ts.Node): boolean => {
    const { parent } = node;
    if (ts.isImportDeclaration(parent) || ts.isLiteralTypeNode(parent) || ts.isCaseClause(parent)) return true;
    if (ts.isJsxAttribute(parent)) return CODE_NAMES.test(parent.name.getText());
    if (ts.isPropertyAssignment(parent)) return parent.name === node || CODE_NAMES.test(parent.name.getText());
    if (ts.isBinaryExpression(parent)) return /^[!=]==?$/.test(parent.operatorToken.getText());
    return ts.isNewExpression(parent) && /Error$/.test(parent.expression.getText());
  };
  const visit = (node: ts.Node): void => {
    if (ts.isJsxText(node)) add(node.text);
    else if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) {
      if (!isCode(node)) add(node.text);
    } else if (ts.isTemplateExpression(node) && !isCode(node)) {
      add(node.head.text + node.templateSpans.map(({ literal }) => `…${literal.text}`).join(''));
    }
    ts.forEachChild(node, visit);
  };
  visit(tree);
  return texts;
}

function main(): void {
  const listed = execFileSync('git', ['ls-files', 'apps/web/src', 'apps/web/app'], { cwd: ROOT, encoding: 'utf8' });
  for (const file of listed.trim().split('\n')) {
    if (!/\.tsx?$/.test(file) || /\.test\.|\/testing\//.test(file)) continue;
    const texts = textsOf(file, readFileSync(join(ROOT, file), 'utf8'));
    if (texts.length > 0) process.stdout.write(`\n${file}\n${texts.map((text) => `  ${text}`).join('\n')}\n`);
  }
}

if (process.argv[1] === import.meta.filename) main();
