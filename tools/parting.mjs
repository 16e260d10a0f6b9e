import { createHash } from 'node:crypto';
import { readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { runOrder } from './runOrder.mjs';

/** Folder and URL of the export's scripts. */
const SCRIPTS = '_expo/static/js/web';
const addressOf = (name) => `/${SCRIPTS}/${name}`;
/** Smallest chunk worth a request of its own. */
const WORTH_BYTES = 12_000;
/** Target size of a start script: parsing one must not block the main thread. */
const SCRIPT_BYTES = 110_000;
/** Routes that are often opened directly: their chunks are preloaded before the app runs. */
const AHEAD = [
  ['/', 'today'],
  ['/today', 'today'],
  ['/log', 'log'],
  ['/goals', 'goals/index'],
  ['/charts', 'charts/index'],
  ['/journal', 'journal/index'],
];
/** Workers that share the page's chunks; others are self-contained, so that the page has few chunks. */
const OFTEN = /^(review|search)-/;

const hashOf = (text) => createHash('sha256').update(text).digest('hex').slice(0, 32);

/** The end of a module definition: its id and dependencies (with the chunks of its dynamic imports). */
const MODULE_END = /,\s*(\d+),\s*(\[[^\]]*\]|\{[^{}]*(?:\{[^{}]*\})?[^{}]*\})\);?\s*$/;

/** A script of the export: preamble, modules, tail. */
function readScript(folder, name) {
  const lines = readFileSync(join(folder, SCRIPTS, name), 'utf8').split('\n');
  const firstAt = lines.findIndex((line) => line.startsWith('__d('));
  const head = lines.slice(0, firstAt === -1 ? lines.length : firstAt);
  const texts = [];
  let tail = [];
  for (const line of firstAt === -1 ? [] : lines.slice(firstAt)) {
    if (line.startsWith('__d(')) texts.push(line);
    else if (/^(__r\(|\/\/# )/.test(line)) tail.push(line);
    else texts[texts.length - 1] += `\n${line}`;
  }
  const modules = texts.map((text) => {
    const [, id, list] = MODULE_END.exec(text) ?? [];
    if (id === undefined) throw new Error(`A module of ${name} cannot be read: … ${text.slice(-120)}`);
    const { paths = {}, ...places } = Array.isArray(JSON.parse(list)) ? { ...JSON.parse(list) } : JSON.parse(list);
    const order = Object.values(places).map(String);
    // A dynamic import of a shared module has no chunk yet: it counts as loaded.
    const asked = [...text.matchAll(/\(d\[(\d+)\],d\.paths/g)].map(([, at]) => order[at]);
    return { id, text: text.trimEnd(), order, later: new Set([...Object.keys(paths), ...asked]) };
  });
  return { name, head, modules, tail: tail.filter((line) => !line.startsWith('//# ')) };
}

/** The module of a route, from the entry's route table. */
function moduleOfPlace(entry, place) {
  for (const { text, order } of entry.modules) {
    const at = text.indexOf(`"${place}":`);
    const [, index] = (at === -1 ? null : /\(d\[(\d+)\],d\.paths\)/.exec(text.slice(at))) ?? [];
    if (index !== undefined) return order[index];
  }
  throw new Error(`The entry does not name ${place}`);
}

/**
 * Code splitting of the export's common script: what every route needs stays with the page, the rest becomes chunks loaded by the
 * routes that need them, shared with the workers. Returns the scripts that the page itself names.
 */
export function partCommon(folder) {
  const names = readdirSync(join(folder, SCRIPTS)).filter((name) => name.endsWith('.js'));
  const named = (start) => names.find((name) => name.startsWith(start));
  const scripts = names.map((name) => readScript(folder, name));
  const byName = (name) => scripts.find((each) => each.name === name);
  const [runtime, entry, common] = ['__expo-metro-runtime-', 'entry-', '__common-'].map((start) =>
    byName(named(start)),
  );
  const others = scripts.filter((each) => ![runtime, entry, common].includes(each));
  const isWorker = ({ head }) => head.some((line) => line !== '');
  const [workers, parts] = [others.filter(isWorker), others.filter((each) => !isWorker(each))];

  const commonById = new Map(common.modules.map((each) => [each.id, each]));
  const own = new Map(
    scripts.filter((each) => !isWorker(each)).flatMap(({ modules }) => modules.map((each) => [each.id, each])),
  );
  /** The transitive shared dependencies of modules. */
  function needsOf({ modules }) {
    const seen = new Set();
    const todo = modules.map(({ id }) => id);
    while (todo.length > 0) {
      const id = todo.pop();
      if (seen.has(id) || !own.has(id)) continue;
      seen.add(id);
      const { order, later } = own.get(id);
      todo.push(...order.filter((each) => !later.has(each)));
    }
    return new Set([...seen].filter((id) => commonById.has(id)));
  }

  const scriptOf = (id) => scripts.find(({ modules }) => modules.some((each) => each.id === id));
  const placeOf = (place) => scriptOf(moduleOfPlace(entry, place));
  const root = placeOf('./_layout.tsx');
  // The layout only hands on to what stands around the places.
  const layoutId = moduleOfPlace(entry, './(signed-in)/_layout.tsx');
  const layout = scriptOf(layoutId);
  const [shellId] = own.get(layoutId).later;
  const shell = scriptOf(shellId);
  const today = placeOf('./(signed-in)/today.tsx');
  const wayIn = placeOf('./sign-in.tsx');
  const atOnce = new Set([...needsOf(entry), ...needsOf(root), ...needsOf(layout)]);
  const needs = new Map(parts.filter((each) => each !== root && each !== layout).map((each) => [each, needsOf(each)]));
  const inWorkers = new Map();
  for (const [index, { modules }] of workers.filter(({ name }) => OFTEN.test(name)).entries())
    for (const { id, text } of modules)
      if (own.get(id)?.text === text) inWorkers.set(id, `${inWorkers.get(id) ?? ''}w${index}`);

  const pieces = new Map();
  for (const module of common.modules) {
    const users = [...needs].filter(([, needed]) => needed.has(module.id)).map(([part]) => part);
    const by = atOnce.has(module.id)
      ? 'page'
      : users.includes(shell)
        ? 'shell'
        : users.includes(today)
          ? 'today'
          : users.includes(wayIn)
            ? 'way in'
            : users.map(({ name }) => name).join();
    // The sign-in page loads what it shares with a route, not the route.
    const key = `${by} ${inWorkers.get(module.id) ?? ''} ${users.includes(wayIn)}`;
    if (!pieces.has(key)) pieces.set(key, { modules: [], users: new Set(), isAtOnce: by === 'page', by });
    pieces.get(key).modules.push(module);
    for (const user of users) pieces.get(key).users.add(user);
  }
  joinSmall(pieces);
  const laid = [...pieces.values()].map((piece) => {
    const text = `${piece.modules.map((each) => each.text).join('\n')}\n`;
    return { ...piece, text, name: `piece-${hashOf(text)}.js`, ids: new Set(piece.modules.map(({ id }) => id)) };
  });
  const needed = Object.fromEntries(
    parts
      .map((part) => [
        addressOf(part.name),
        laid.filter((piece) => !piece.isAtOnce && piece.users.has(part)).map(({ name }) => addressOf(name)),
      ])
      .filter(([, list]) => list.length > 0),
  );
  const atAddresses = placeLater(laid, needsOf, needed);
  const [firsts, rest] = inScripts(entry);
  const texts = new Map(scripts.map((each) => [each.name, textOf(each)]));
  for (const each of firsts) texts.set(each.name, textOf(each));
  // The layout runs before the router asks for it; then the page renders.
  const rootId = moduleOfPlace(entry, './_layout.tsx');
  const around = laid.filter((piece) => piece.isAtOnce).flatMap(({ modules }) => modules);
  const runAround = runOrder([rootId, layoutId], [...around, ...root.modules, ...layout.modules]);
  texts.set(
    rest.name,
    textOf({ ...rest, tail: [...rest.tail.slice(0, -1), runLine(runAround), `__begin(${rest.start});`] }),
  );
  // Lazy chunks run in slices too, once they and their dependencies are loaded.
  const later = laid.filter((piece) => !piece.isAtOnce);
  for (const part of parts.filter((each) => each !== root && each !== layout)) {
    const pieces = later.filter((piece) => piece.users.has(part)).flatMap(({ modules }) => modules);
    const asked = new Set(part.modules.flatMap((each) => each.order));
    const first = part.modules.map(({ id }) => id).filter((id) => !asked.has(id));
    const order = runOrder(first, [...pieces, ...part.modules]);
    texts.set(part.name, textOf({ ...part, tail: [...part.tail, runLine(order)] }));
  }
  for (const worker of workers) texts.set(worker.name, textOf(sharing(worker, laid)));
  texts.delete(common.name);
  for (const { name, text } of laid) texts.set(name, text);
  const changed = [];
  for (const [name, text] of texts) {
    const next = atAddresses(text);
    if (next === text) continue;
    texts.set(name, next);
    changed.push(name);
  }
  texts.set(runtime.name, `${textOf(runtime)}${LOADER.replace('NEEDED', JSON.stringify(needed))}\n`);
  const renamed = layAnew(
    folder,
    texts,
    [...[runtime, ...workers].map(({ name }) => name), ...changed],
    hashOf(laid.map(({ name }) => name).join()),
  );
  rmSync(join(folder, SCRIPTS, common.name));
  const atOnceNames = laid.filter((piece) => piece.isAtOnce).map(({ name }) => renamed(name));
  const page = readFileSync(join(folder, 'index.html'), 'utf8');
  const tag = (name) => `<script src="${addressOf(name)}" defer></script>`;
  const tags = [
    renamed(runtime.name),
    ...firsts.map(({ name }) => renamed(name)),
    ...atOnceNames,
    renamed(root.name),
    renamed(layout.name),
    renamed(entry.name),
  ]
    .map(tag)
    .join('');
  /** The files of a chunk with its dependencies, itself last, under their current names. */
  const aheadOf = (id) => {
    const { name } = scriptOf(id);
    const files = [...(needed[addressOf(name)] ?? []), addressOf(name)];
    return files.map((file) => addressOf(renamed(file.slice(addressOf('').length))));
  };
  const ahead = {
    'way-in': aheadOf(moduleOfPlace(entry, './sign-in.tsx')),
    app: aheadOf(shellId),
    ...Object.fromEntries(
      AHEAD.map(([address, place]) => [address, aheadOf(moduleOfPlace(entry, `./(signed-in)/${place}.tsx`))]),
    ),
  };
  writeFileSync(
    join(folder, 'index.html'),
    page
      .replace(/<script src="\/_expo[^"]*"[^>]*><\/script>\s*/g, '')
      .replace('<script src="/frame.js">', `<script src="/frame.js" data-parts='${JSON.stringify(ahead)}'>`)
      .replace('</head>', `${tags}</head>`),
  );
  const laidDown = new Set(readdirSync(join(folder, SCRIPTS)));
  for (const name of laidDown) {
    const named = readFileSync(join(folder, SCRIPTS, name), 'utf8').matchAll(/_expo\/static\/js\/web\/([^"'/]+\.js)/g);
    const missing = [...named].map(([, each]) => each).filter((each) => !laidDown.has(each));
    if (name.endsWith('.js') && missing.length > 0)
      throw new Error(`${name} names ${missing.join()}, which is not there`);
  }
  return [runtime, ...firsts, root, layout, entry].map(({ name }) => renamed(name)).concat(atOnceNames);
}

/**
 * Resolves dynamic imports of shared modules to the chunk that holds them, whose dependencies are recorded in `needed`. Returns the
 * function that writes the URLs into a script.
 */
function placeLater(laid, needsOf, needed) {
  const pieceOf = (id) => laid.find((piece) => piece.ids.has(id));
  const isHere = (piece) => piece === undefined || piece.isAtOnce;
  return (text) =>
    text
      .split('\n')
      .map((line) => {
        const [end, id, list] = MODULE_END.exec(line) ?? [];
        if (id === undefined) return line;
        const parsed = JSON.parse(list);
        const order = Object.entries(Array.isArray(parsed) ? { ...parsed } : parsed).filter(([at]) => at !== 'paths');
        const places = Object.fromEntries(order);
        const paths = { ...parsed.paths };
        for (const [, at] of line.matchAll(/\(d\[(\d+)\],d\.paths/g)) {
          const asked = String(places[at]);
          const piece = pieceOf(asked);
          if (paths[asked] !== undefined || isHere(piece)) continue;
          const address = addressOf(piece.name);
          const others = [...needsOf({ modules: [{ id: asked }] })].map(pieceOf).filter((each) => !isHere(each));
          needed[address] = [
            ...new Set([...(needed[address] ?? []), ...others.map(({ name }) => addressOf(name))]),
          ].filter((each) => each !== address);
          paths[asked] = address;
        }
        if (Object.keys(paths).length === Object.keys(parsed.paths ?? {}).length) return line;
        return line.replace(end, `,${id},${JSON.stringify({ ...places, paths })});`);
      })
      .join('\n');
}

/** Splits the entry into scripts in run order; the rest is the start itself. */
function inScripts(entry) {
  const start = /__r\((\d+)\)/.exec(entry.tail.at(-1))[1];
  const byId = new Map(entry.modules.map((each) => [each.id, each]));
  // The module that renders runs last, and so do those that only re-export it.
  const starts = new Set();
  for (let id = start; byId.has(id) && !starts.has(id); [id] = byId.get(id).order) {
    starts.add(id);
    if (byId.get(id).order.length !== 1) break;
  }
  const rest = entry.modules.filter(({ id }) => !starts.has(id));
  const firsts = [...starts].flatMap((id) => byId.get(id).order);
  const order = runOrder(firsts, rest);
  const scripts = [];
  const laid = new Set();
  let bytes = SCRIPT_BYTES;
  /** Emits a module with those that it runs itself. */
  function lay(id, into) {
    if (laid.has(id) || starts.has(id) || !byId.has(id)) return;
    laid.add(id);
    into.push(byId.get(id));
    for (const each of byId.get(id).order) lay(each, into);
  }
  for (const id of order) {
    const more = [];
    lay(id, more);
    const size = more.reduce((sum, { text }) => sum + text.length, 0);
    if (bytes + size > SCRIPT_BYTES) {
      scripts.push({ head: [], modules: [], run: [] });
      bytes = 0;
    }
    bytes += size;
    scripts.at(-1).modules.push(...more);
    scripts.at(-1).run.push(id);
  }
  scripts.at(-1).modules.push(...rest.filter(({ id }) => !laid.has(id)));
  const firstScripts = scripts.map(({ run, ...script }) => {
    const name = `start-${hashOf(script.modules.map(({ text }) => text).join())}.js`;
    return { ...script, name, tail: [runLine(run)] };
  });
  return [firstScripts, { ...entry, modules: entry.modules.filter(({ id }) => starts.has(id)), start }];
}

/** The runtime that runs modules in slices; workers do without it. */
const runLine = (ids) => `self.__run&&__run([${ids.join()}]);`;

/** Merges small shared chunks. */
function joinSmall(pieces) {
  const bytes = ({ modules }) => modules.reduce((sum, { text }) => sum + text.length, 0);
  const few = { modules: [], users: new Set(), isAtOnce: false, by: 'few' };
  for (const [key, piece] of [...pieces]) {
    if (['page', 'shell', 'today', 'way in'].includes(piece.by) || bytes(piece) >= WORTH_BYTES) continue;
    pieces.delete(key);
    few.modules.push(...piece.modules);
    for (const user of piece.users) few.users.add(user);
  }
  if (few.modules.length > 0) pieces.set('few', few);
}

/** A worker that loads the page's shared chunks. */
function sharing(worker, laid) {
  const ids = new Set(worker.modules.map(({ id }) => id));
  const taken = laid.filter((piece) => [...piece.ids].every((id) => ids.has(id)));
  if (taken.length === 0) return worker;
  const gone = new Set(taken.flatMap((piece) => [...piece.ids]));
  const line = `importScripts(${taken.map(({ name }) => JSON.stringify(addressOf(name))).join()});`;
  return { ...worker, head: [...worker.head, line], modules: worker.modules.filter(({ id }) => !gone.has(id)) };
}

const textOf = ({ head, modules, tail }) => `${[...head, ...modules.map(({ text }) => text), ...tail].join('\n')}\n`;

/** Time slice of running modules before yielding. */
const TURN_MS = 5;
/**
 * Runs modules one at a time in slices, yielding to the main thread, after the first frame is painted. A lazy chunk resolves once its
 * dependencies are loaded and its modules have run. The page renders when the chunks of its route are there; a failed chunk is
 * reported by the page, and a module that throws is reported and throws again where it is
 * required.
 */
const LOADER = `
(function(g){var needed=NEEDED,load,queue=[],waiting=[],isGoing=false,turns=new MessageChannel();
turns.port1.onmessage=function(){var end=performance.now()+${TURN_MS};
while(queue.length&&performance.now()<end)try{__r(queue.shift())}catch(e){reportError(e)}
if(queue.length)turns.port2.postMessage(0);else{isGoing=false;waiting.splice(0).forEach(function(f){f()})}};
function go(){go=function(){turns.port2.postMessage(0)};document.hidden?go():requestAnimationFrame(function(){go()})}
g.__run=function(ids){queue.push.apply(queue,ids);if(!isGoing){isGoing=true;go()}};
function allRun(){return new Promise(function(f){isGoing?waiting.push(f):f()})}
Object.defineProperty(g,'__loadBundleAsync',{configurable:true,set:function(v){load=v},get:function(){
return load&&function(path){var pieces=needed[path];if(!pieces)return load(path).then(allRun);var l=document.createElement('link');l.rel='preload';l.as='script';l.href=path;document.head.appendChild(l);
return Promise.all(pieces.map(function(p){return load(p)})).then(function(){return load(path)}).then(allRun)}}});
g.__begin=function(start){allRun().then(function(){return Promise.all((g.__ahead||[]).map(function(files){return g.__loadBundleAsync(files[files.length-1]).catch(function(){})}))}).then(function(){setTimeout(function(){__r(start)})})}})(globalThis);`;

/**
 * Renames scripts to the hash of their new content: those that changed, and those that name one that did. Returns the new names.
 */
function layAnew(folder, texts, changed, salt) {
  const anew = new Set(changed);
  for (let size = 0; size !== anew.size;) {
    size = anew.size;
    for (const [name, text] of texts) if ([...anew].some((each) => text.includes(each))) anew.add(name);
  }
  const nameNow = new Map(
    [...anew].map((name) => [name, name.replace(/-[0-9a-f]{32}\.js$/, `-${hashOf(texts.get(name) + salt)}.js`)]),
  );
  const swap = (text) => [...nameNow].reduce((now, [was, is]) => now.replaceAll(was, is), text);
  for (const [name, text] of texts) {
    rmSync(join(folder, SCRIPTS, name), { force: true });
    writeFileSync(join(folder, SCRIPTS, nameNow.get(name) ?? name), swap(text));
  }
  return (name) => nameNow.get(name) ?? name;
}
