/**
 * Topological order in which modules can run one at a time: each after its dependencies. Of a cycle (strongly connected component,
 * Tarjan) only the module that would run first is listed; it runs the others itself, as without this, and their other dependencies
 * are listed before it.
 *
 * @param starts ids of the entry modules, in order
 * @param modules each with its id, its dependencies in `order`, and those imported `later` (dynamically); unknown ids count as run
 * @returns the ids, the entries among them
 */
export function runOrder(starts, modules) {
  const byId = new Map(modules.map((each) => [each.id, each]));
  const needsOf = (id) => byId.get(id).order.filter((each) => byId.has(each) && !byId.get(id).later.has(each));
  const circles = circlesOf(starts, byId, needsOf);
  const done = new Set();
  const order = [];
  function run(id) {
    const circle = circles.get(id);
    if (done.has(circle)) return;
    done.add(circle);
    // As it would go through them by itself: what is needed from outside on the way comes first.
    const seen = new Set();
    (function walk(each) {
      seen.add(each);
      for (const need of needsOf(each)) {
        if (circles.get(need) !== circle) run(need);
        else if (!seen.has(need)) walk(need);
      }
    })(id);
    order.push(id);
  }
  for (const start of starts) if (byId.has(start)) run(start);
  return order;
}

/** By the number of a module the circle that it is in, itself alone where nothing that it needs needs it (after Tarjan). */
function circlesOf(starts, byId, needsOf) {
  const circles = new Map();
  const [foundAt, lowest, open] = [new Map(), new Map(), []];
  function find(id) {
    foundAt.set(id, foundAt.size);
    lowest.set(id, foundAt.get(id));
    open.push(id);
    for (const need of needsOf(id)) {
      if (!foundAt.has(need)) find(need);
      if (!circles.has(need)) lowest.set(id, Math.min(lowest.get(id), lowest.get(need)));
    }
    if (lowest.get(id) !== foundAt.get(id)) return;
    const circle = {};
    for (let each; each !== id;) {
      each = open.pop();
      circles.set(each, circle);
    }
  }
  for (const start of starts) if (byId.has(start) && !foundAt.has(start)) find(start);
  return circles;
}
