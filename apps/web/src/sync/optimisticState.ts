import { type Change, type Made, type ServerRow, isLater } from '@wimbel/contract';
import { type Row, type Touched, placeOf } from '../store/effects.ts';

/**
 * What the server holds under changes that it has not answered yet, so that a change that does not come to hold is taken
 * back on the screen to what does.
 */
export type Outstanding = {
  /** Takes note of what a change touches, before it is made here. */
  add: (change: Change, touched: readonly Touched[]) => void;
  /** A change got another instant. */
  restamped: (change: Change) => void;
  /**
   * The server took a change in as it was sent; gives what it made of what it touched, and what of it is to be shown because
   * something else is: a change that waited was put together with what this device held at the time.
   */
  accepted: (id: string) => { touched: readonly Touched[]; back: Row[] };
  /** A change did not come to hold (refused, or something later was there); gives what takes its place. */
  undone: (id: string) => Row[];
  /** What the server sent; gives what of it is to be shown, the rest being hidden by changes that are later. */
  arrived: (rows: readonly ServerRow[]) => ServerRow[];
};

export function createOutstanding(): Outstanding {
  /** What the server holds of a place; `made` once that was heard from the server. */
  const under = new Map<string, { row: Row; made: Made | null }>();
  const made = new Map<string, { by: Change; touched: readonly Touched[] }>();
  const over = new Map<string, Set<string>>();

  /** Ends a change; gives the places that no other outstanding change touches. */
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
        // The answer may come after something later was heard of, which then is what the server holds.
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
