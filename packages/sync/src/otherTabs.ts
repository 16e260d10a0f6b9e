import type { Change } from '@wimbel/contract';
import { effectsByChange, rowsAfter } from './effects.ts';
import { allPending } from './pendingChanges.ts';
import type { TabChannel, TabMessage } from './ports.ts';
import type { Session } from './session.ts';

/** How long another tab may take to push its changes before it is considered closed. */
const TAKEOVER_MS = 15_000;

/**
 * Applies changes of other tabs of this browser optimistically, also offline, and pushes them for a tab that was closed before it
 * could. The tab that pushes a change announces its outcome.
 */
export function createOtherTabs(
  session: Session,
  rounds: { go: () => void; announced: (revision: number) => void },
  takeoverMs = TAKEOVER_MS,
): TabChannel {
  const { state, optimistic, outbox, clock, setTimer, accountId } = session;
  const theirs = new Map<string, Change>();
  let cancelTakeOver = (): void => undefined;

  function show(changes: readonly Change[]): void {
    // Before the record is loaded there is nothing to apply them to: they are read from the outbox later.
    if (!state.records().isLoaded) return;
    const known = new Set(allPending(session.pending()).map(({ id }) => id));
    const fresh = changes.filter(({ id }) => !theirs.has(id) && !known.has(id));
    for (const change of fresh) {
      clock.noteInstant(change.madeAt);
      const touched = effectsByChange(state.records(), [change]).get(change.id)!;
      optimistic.add(change, touched);
      theirs.set(change.id, change);
      state.apply({ kind: 'rolledBack', rows: rowsAfter(touched) });
    }
    cancelTakeOver();
    cancelTakeOver = setTimer(() => void takeOver(), takeoverMs);
  }

  /** Pushes what the outbox still holds by then; pushing twice is harmless. */
  async function takeOver(): Promise<void> {
    if (session.isStopped || theirs.size === 0) return;
    const kept = await outbox.read(accountId).catch(() => null);
    if (kept === null) return;
    const { waiting, refused } = kept;
    const left = waiting.filter(({ id }) => theirs.has(id));
    const isLeft = new Set(left.map(({ id }) => id));
    // A change that left the outbox was answered, though the message was missed.
    for (const id of theirs.keys()) if (!isLeft.has(id)) optimistic.accepted(id);
    theirs.clear();
    if (session.isStopped || left.length === 0) return;
    state.apply({ kind: 'restored', waiting: left, refused });
    rounds.go();
  }

  function onMessage(message: TabMessage): void {
    if (session.isStopped) return;
    if ('made' in message) return show(message.made);
    if ('revision' in message) return rounds.announced(message.revision);
    for (const id of message.taken) if (theirs.delete(id)) optimistic.accepted(id);
    const back = message.undone.flatMap((id) => (theirs.delete(id) ? optimistic.undone(id) : []));
    if (back.length > 0) state.apply({ kind: 'rolledBack', rows: back });
  }

  const channel = session.openTabChannel(accountId, onMessage);
  return {
    post: channel.post,
    close: () => {
      cancelTakeOver();
      channel.close();
    },
  };
}
