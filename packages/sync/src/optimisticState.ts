import { type Change, type Made, type ServerRow, isLater } from '@wimbel/contract';
import { type Row, type ChangeEffect, placeOf } from './effects.ts';

/**
 * The server's version of every record that pending changes touch, for rollback: a change that is refused or superseded is
 * replaced on screen by that version.
 */
export type OptimisticState = {
  /** Registers a change with its effects, before it is applied optimistically. */
  add: (change: Change, touched: readonly ChangeEffect[]) => void;
  /** A change was restamped with the server's time. */
  restamped: (change: Change) => void;
  /**
   * The server accepted a change. Returns its effects, and the rows to show where the screen shows another version (a change
   * that waited was merged locally with what this device held).
   */
  accepted: (id: string) => { touched: readonly ChangeEffect[]; back: Row[] };
  /** Rolls back a change that was refused or superseded; returns the rows that replace it. */
  undone: (id: string) => Row[];
  /** Records rows of the server; returns those to show. The others are hidden by later pending changes. */
  arrived: (rows: readonly ServerRow[]) => ServerRow[];
};

/** An empty state. */
export function createOptimisticState(): OptimisticState {
  /** The server's version by place; `made` is null until the server sent it. */
  const under = new Map<string, { row: Row; made: Made | null }>();
  const made = new Map<string, { by: Change; touched: readonly ChangeEffect[] }>();
  const over = new Map<string, Set<string>>();

  /** Ends a change; returns the places that no other pending change touches. */
  function end(id: string): string[] {
    const ended = made.get(id);
    made.delete(id);
    return (ended?.touched ?? []).flatMap((touched) => {
      const place = placeOf(touched);
      const others = over.get(place);
      others?.delete(id);
      if (others !== undefined && others.size > 0) return [];
      over.delete(place);
      return [place];
    });
  }

  return {
    add(change, touched) {
      made.set(change.id, { by: change, touched });
      for (const each of touched) {
        const place = placeOf(each);
        if (!under.has(place))
          under.set(place, { row: { collection: each.collection, key: each.key, record: each.before }, made: null });
        over.set(place, (over.get(place) ?? new Set()).add(change.id));
      }
    },
    restamped(change) {
      const known = made.get(change.id);
      if (known !== undefined) known.by = change;
    },
    accepted(id) {
      const { by, touched: shown = [] } = made.get(id) ?? {};
      const touched = shown.map((each) =>
        by !== undefined && by.record !== null && placeOf(each) === placeOf(by) ? { ...each, after: by.record } : each,
      );
      const free = new Set(end(id));
      const back = touched.flatMap(({ collection, key, after }, at): Row[] => {
        const place = placeOf({ collection, key });
        const held = under.get(place);
        // A later version may have arrived before this answer; it then is the server's version.
        const isPassed = by !== undefined && held !== undefined && held.made !== null && isLater(held.made, by);
        if (held !== undefined && !isPassed) held.row = { collection, key, record: after };
        if (!free.has(place)) return [];
        under.delete(place);
        if (isPassed) return [held.row];
        return after === shown[at]!.after ? [] : [{ collection, key, record: after }];
      });
      return { touched, back };
    },
    undone(id) {
      return end(id).flatMap((place) => {
        const held = under.get(place);
        under.delete(place);
        return held === undefined ? [] : [held.row];
      });
    },
    arrived(rows) {
      return rows.filter((row) => {
        const place = placeOf(row);
        const held = under.get(place);
        if (held === undefined) return true;
        const theirs = { madeAt: row.madeAt, id: row.changeId };
        held.row = { collection: row.collection, key: row.key, record: row.record };
        held.made = theirs;
        return [...(over.get(place) ?? [])].every((id) => isLater(theirs, made.get(id)!.by));
      });
    },
  };
}
