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
  const under = new Map<string, Row & { made?: Made }>();
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
        if (!under.has(place)) under.set(place, { collection: each.collection, key: each.key, record: each.before });
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
      /** An answer may come after what the server holds by now, which is the later of the two. */
      const isOver = (place: string): boolean => {
        const later = under.get(place)?.made;
        return by !== undefined && later !== undefined && isLater(later, by);
      };
      const passed = new Set(touched.map(placeOf).filter(isOver));
      for (const each of touched) {
        const held = under.get(placeOf(each));
        if (held !== undefined && !passed.has(placeOf(each))) held.record = each.after;
      }
      const free = new Set(end(id));
      for (const place of free) under.delete(place);
      const back = touched.flatMap(({ collection, key, after }, at) =>
        after !== shown[at]!.after &&
        free.has(placeOf({ collection, key })) &&
        !passed.has(placeOf({ collection, key }))
          ? [{ collection, key, record: after }]
          : [],
      );
      return { touched, back };
    },
    undone(id) {
      return end(id).flatMap((place) => {
        const held = under.get(place);
        under.delete(place);
        return held === undefined ? [] : [{ collection: held.collection, key: held.key, record: held.record } as Row];
      });
    },
    arrived(rows) {
      return rows.filter((row) => {
        const place = placeOf(row);
        const held = under.get(place);
        if (held === undefined) return true;
        const theirs = { madeAt: row.madeAt, id: row.changeId };
        held.record = row.record;
        held.made = theirs;
        return [...(over.get(place) ?? [])].every((id) => isLater(theirs, made.get(id)!.by));
      });
    },
  };
}
