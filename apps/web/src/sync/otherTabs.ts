import type { Change } from '@wimbel/contract';
import { noteInstant } from '../platform/clock.ts';
import { touchedByEach } from '../store/effects.ts';
import { outboxRestored } from '../store/outboxSlice.ts';
import { recordsPutBack } from '../store/recordsSlice.ts';
import { allWaiting } from '../store/pendingChanges.ts';
import type { Session } from './session.ts';
import { type TabTalk, type TabWord, openTabTalk } from './tabChannel.ts';

/** How long another tab is given to send what it made, before it is taken for gone. */
const GIVEN_MS = 15_000;

/**
 * Shows at once what other tabs of this browser change, the server away or not, and sends it for a tab that was closed before
 * it could. What becomes of it is told by the tab that sent it.
 */
export function createBesides(
  session: Session,
  rounds: { go: () => void; heard: (revision: number) => void },
  givenMs = GIVEN_MS,
): TabTalk {
  const { store, outstanding, outbox, accountId } = session;
  const theirs = new Map<string, Change>();
  let timer: ReturnType<typeof setTimeout> | undefined;

  function show(changes: readonly Change[]): void {
    // Before the record stands there is nothing to put them on: they wait on the device, and are found there.
    if (!store.getState().records.isLoaded) return;
    const known = new Set(allWaiting(session.waiting()).map(({ id }) => id));
    const fresh = changes.filter(({ id }) => !theirs.has(id) && !known.has(id));
    for (const change of fresh) {
      noteInstant(change.madeAt);
      const touched = touchedByEach(store.getState().records, [change]).get(change.id)!;
      outstanding.add(change, touched);
      theirs.set(change.id, change);
      store.dispatch(
        recordsPutBack({ rows: touched.map(({ collection, key, after }) => ({ collection, key, record: after })) }),
      );
    }
    clearTimeout(timer);
    timer = setTimeout(() => void takeOver(), givenMs);
  }

  /** What is still kept on the device by then is sent from here: sent twice it is harmless. */
  async function takeOver(): Promise<void> {
    if (session.isStopped || theirs.size === 0) return;
    const kept = await outbox.read(accountId).catch(() => null);
    if (kept === null) return;
    const { waiting, refused } = kept;
    const left = waiting.filter(({ id }) => theirs.has(id));
    const isLeft = new Set(left.map(({ id }) => id));
    // What is not kept any more was answered, though the word of it was missed.
    for (const id of theirs.keys()) if (!isLeft.has(id)) outstanding.accepted(id);
    theirs.clear();
    if (session.isStopped || left.length === 0) return;
    store.dispatch(outboxRestored({ waiting: left, refused }));
    rounds.go();
  }

  function hear(word: TabWord): void {
    if (session.isStopped) return;
    if ('made' in word) return show(word.made);
    if ('revision' in word) return rounds.heard(word.revision);
    for (const id of word.taken) if (theirs.delete(id)) outstanding.accepted(id);
    const back = word.undone.flatMap((id) => (theirs.delete(id) ? outstanding.undone(id) : []));
    if (back.length > 0) store.dispatch(recordsPutBack({ rows: back }));
  }

  const talk = openTabTalk(accountId, hear);
  return {
    say: talk.say,
    close: () => {
      clearTimeout(timer);
      talk.close();
    },
  };
}
