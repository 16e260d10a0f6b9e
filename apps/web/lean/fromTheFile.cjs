const { readFileSync } = require('node:fs');
const { dirname, join, relative } = require('node:path');

const ROOMS = join(__dirname, '../../../packages');
const OWN = /^@wimbel\/(core|contract|exchange|sync)$/;

/** Where each name that a package's index gives stands: the file, by name. */
const placesOf = {};
function places(room) {
  if (placesOf[room] !== undefined) return placesOf[room];
  const index = join(ROOMS, room, 'src/index.ts');
  const found = new Map();
  for (const [, names, file] of readFileSync(index, 'utf8').matchAll(/export (?:type )?\{([^}]*)\} from '([^']+)'/g)) {
    for (const name of names.split(',')) found.set(name.replace(/^\s*type\s/, '').trim(), join(dirname(index), file));
  }
  return (placesOf[room] = found);
}

/** A file as another names it, wherever the project stands. */
function pathFrom(from, file) {
  const path = relative(dirname(from), file);
  return path.startsWith('.') ? path : `./${path}`;
}

/**
 * Takes what is imported from one of our packages straight from the file that holds it, so that a screen brings what it uses
 * and not the whole package with it.
 */
module.exports = function fromTheFile({ types: t }) {
  return {
    name: 'from-the-file',
    visitor: {
      ImportDeclaration(path, state) {
        const { source, specifiers, importKind } = path.node;
        const room = OWN.exec(source.value)?.[1];
        if (room === undefined || importKind === 'type' || specifiers.some((each) => !t.isImportSpecifier(each)))
          return;
        const values = specifiers.filter((each) => each.importKind !== 'type');
        path.replaceWithMultiple(
          values.map((each) => {
            const name = t.isIdentifier(each.imported) ? each.imported.name : each.imported.value;
            const file = places(room).get(name);
            if (file === undefined) throw path.buildCodeFrameError(`${source.value} does not export ${name}`);
            return t.importDeclaration([each], t.stringLiteral(pathFrom(state.filename, file)));
          }),
        );
        path.scope.crawl?.();
      },
    },
  };
};
