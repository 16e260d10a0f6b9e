const { readFileSync } = require('node:fs');
const { dirname, join, relative } = require('node:path');

const PACKAGES = join(__dirname, '../../../packages');
const OWN = /^@wimbel\/(core|contract|exchange|sync)$/;

/** The defining file of each name that a package's index exports. */
const filesOf = {};
function files(packageName) {
  if (filesOf[packageName] !== undefined) return filesOf[packageName];
  const index = join(PACKAGES, packageName, 'src/index.ts');
  const found = new Map();
  for (const [, names, file] of readFileSync(index, 'utf8').matchAll(/export (?:type )?\{([^}]*)\} from '([^']+)'/g)) {
    for (const name of names.split(',')) found.set(name.replace(/^\s*type\s/, '').trim(), join(dirname(index), file));
  }
  return (filesOf[packageName] = found);
}

/** The relative import path of a file; independent of where the project is. */
function pathFrom(from, file) {
  const path = relative(dirname(from), file);
  return path.startsWith('.') ? path : `./${path}`;
}

/**
 * Babel plugin: imports from one of our packages become imports from the defining files, so that a chunk holds what it uses and not
 * the whole package. Metro has no tree shaking that keeps the workers.
 */
module.exports = function directImports({ types: t }) {
  return {
    name: 'direct-imports',
    visitor: {
      ImportDeclaration(path, state) {
        const { source, specifiers, importKind } = path.node;
        const packageName = OWN.exec(source.value)?.[1];
        if (packageName === undefined || importKind === 'type' || specifiers.some((each) => !t.isImportSpecifier(each)))
          return;
        const values = specifiers.filter((each) => each.importKind !== 'type');
        path.replaceWithMultiple(
          values.map((each) => {
            const name = t.isIdentifier(each.imported) ? each.imported.name : each.imported.value;
            const file = files(packageName).get(name);
            if (file === undefined) throw path.buildCodeFrameError(`${source.value} does not export ${name}`);
            return t.importDeclaration([each], t.stringLiteral(pathFrom(state.filename, file)));
          }),
        );
        path.scope.crawl?.();
      },
    },
  };
};
