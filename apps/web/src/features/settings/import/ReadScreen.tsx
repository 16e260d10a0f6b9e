import type { Change } from '@wimbel/contract';
import { type Habit, NO_ENTRIES, eachEntry } from '@wimbel/core';
import type { GridChoices, NameChoice } from '@wimbel/exchange';
import { startTransition, useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { View } from 'react-native';
import { useStore } from 'react-redux';
import { PATHS } from '../../../platform/paths.ts';
import { changeTo, entryChange } from '../../../store/makeChange.ts';
import { selectToday } from '../../../store/selectors.ts';
import { type RootState, useAppSelector } from '../../../store/store.ts';
import { useRecording } from '../../../sync/recording.ts';
import { importInBulk } from '../../../sync/bulkImport.ts';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Page } from '../../../ui/Frame.tsx';
import { PageHead } from '../../../ui/PageHead.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { Words } from '../../../ui/Words.tsx';
import { KeptTable } from './ImportedTable.tsx';
import { comingWords, foundWords, importFault, readingFault } from './importText.ts';
import type { Coming, GridSize, Understood } from './reader.ts';
import type { useReader } from './useReader.ts';
import { ReadCard, Readings } from './Readings.tsx';

type Props = {
  name: string;
  grids: GridSize[];
  reader: ReturnType<typeof useReader>;
  onAgain: () => void;
  onDone: (path: string) => void;
};

/** Batch size of days between two yields to the main thread. */
const AT_ONCE = 120;

/** The reading of the grids, recomputed with each choice. */
function useUnderstanding({ grids, reader }: Props, choices: GridChoices, isNoMissed: boolean) {
  const store = useStore<RootState>();
  const today = useAppSelector(selectToday);
  const [understood, setUnderstood] = useState<Understood | null>(null);
  const [named, setNamed] = useState<Record<string, NameChoice>>({});
  const [coming, setComing] = useState<Coming | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  // The first tells why; a reader that is started after it has read nothing.
  const fail = (error: unknown): void => setFault((now) => now ?? readingFault(error));
  const handed = useRef(new Set<string>());
  const turn = useRef(0);
  const { ask } = reader;
  const habits = useMemo((): Habit[] => Object.values(store.getState().records.habits), [store]);
  const nameChoices = useMemo(
    () => understood?.names.map(({ name }, at) => named[name] ?? understood.choices[at]!) ?? [],
    [understood, named],
  );
  useEffect(() => {
    const mine = ++turn.current;
    ask((each) => each.understand(today, choices, habits))
      .then((next) => {
        // A large table renders as a transition.
        if (mine === turn.current) startTransition(() => setUnderstood(next));
      })
      .catch(fail);
  }, [ask, choices, grids, habits, today]);
  useEffect(() => {
    if (understood === null) return;
    let isOver = false;
    void ask(async (each) => {
      for (const choice of nameChoices) {
        if (choice.to !== 'habit' || handed.current.has(choice.id)) continue;
        handed.current.add(choice.id);
        await each.here(choice.id, [...eachEntry(store.getState().records.entries[choice.id] ?? NO_ENTRIES)]);
      }
      return each.bring(nameChoices, isNoMissed, habits, today);
    })
      .then((next) => {
        if (!isOver) startTransition(() => setComing(next));
      })
      .catch(fail);
    return () => {
      isOver = true;
    };
  }, [ask, understood, nameChoices, isNoMissed, habits, today, store]);
  return { understood, coming, habits, nameChoices, setNamed, fault };
}

/** Takes in what was understood: new habits, targets and days, as one step that can be taken back. */
function useBringing({ reader, onDone }: Props) {
  const store = useStore<RootState>();
  const recording = useRecording();
  const toast = useToast();
  const [share, setShare] = useState<number | null>(null);
  const stopping = useRef<AbortController | null>(null);
  const isShown = useRef(true);
  useEffect(() => {
    isShown.current = true;
    return () => {
      isShown.current = false;
    };
  }, []);
  const bring = async (coming: Coming, habitCount: number): Promise<void> => {
    const control = new AbortController();
    stopping.current = control;
    setShare(0);
    const release = reader.hold();
    const first = [...coming.habits, ...coming.changed].map((habit) => changeTo('habits', habit));
    const parts = async function* (): AsyncGenerator<readonly Change[]> {
      if (first.length > 0) yield first;
      for (let at = 0; at < coming.days; at += AT_ONCE)
        yield (await reader.ask((each) => each.entries(at, at + AT_ONCE))).map((entry) => entryChange(entry));
    };
    try {
      const accountId = store.getState().account.account?.id ?? '';
      const undo = await importInBulk(
        accountId,
        { recording, store },
        parts(),
        first.length + coming.days,
        setShare,
        control.signal,
      );
      if (undo === null) {
        setShare(null);
        toast({ text: 'Another tab is bringing something in. Try again once it is done.' });
        return;
      }
      if (isShown.current)
        onDone(`${PATHS.log}${coming.lastDay === null ? '' : `?month=${coming.lastDay.slice(0, 7)}`}`);
      toast({ text: comingWords(coming, habitCount), onUndo: undo });
    } catch (error) {
      setShare(null);
      toast({ text: importFault(error, control.signal.aborted) });
    } finally {
      release();
    }
  };
  return { share, bring, stop: () => stopping.current?.abort() };
}

/** The reading of the grids, to be checked and changed before the import. */
export function ReadScreen(props: Props) {
  const { name, grids, reader, onAgain } = props;
  const [choices, setChoices] = useState<GridChoices>({});
  const [isNoMissed, setNoMissed] = useState(false);
  const { understood, coming, habits, nameChoices, setNamed, fault } = useUnderstanding(props, choices, isNoMissed);
  const { share, bring, stop } = useBringing(props);
  const isAway = useDeferredValue(share !== null);
  const choose = useCallback((more: Partial<GridChoices>) => setChoices((now) => ({ ...now, ...more })), []);
  const chooseName = useCallback(
    (of: string, choice: NameChoice) => setNamed((now) => ({ ...now, [of]: choice })),
    [setNamed],
  );
  const found = understood === null ? null : foundWords(understood);
  const habitCount = nameChoices.filter(
    (each, at) => each.to !== 'nowhere' && (understood?.names[at]?.days ?? 0) > 0,
  ).length;
  const head = <PageHead title="Bring in a table" backTo={PATHS.account} />;
  if (fault !== null) {
    return (
      <Page>
        {head}
        <SectionCard title={name}>
          <Words>{fault}</Words>
          <Button onPress={onAgain}>Choose another</Button>
        </SectionCard>
      </Page>
    );
  }
  if (understood === null) {
    return (
      <Page>
        {head}
        <Words tone="quiet">Reading …</Words>
      </Page>
    );
  }
  if (found === null) {
    return (
      <Page>
        {head}
        <SectionCard title={name}>
          <Words>No days were found in it. Tap the head of the line that holds the days, or choose another file.</Words>
          <Button onPress={onAgain}>Choose another</Button>
        </SectionCard>
        <KeptTable grids={grids} reader={reader} understood={understood} choices={choices} onChoose={choose} />
      </Page>
    );
  }
  return (
    <Page isFull>
      {head}
      <ReadCard
        name={name}
        found={found}
        coming={coming}
        share={share}
        onBring={() => void bring(coming!, habitCount)}
        onStop={stop}
        onAgain={onAgain}
      />
      {/* First out of sight, then away, each in its turn: together they would hold the page up. */}
      <View style={share === null ? { gap: SPACE.l } : { display: 'none' }}>
        {isAway ? null : (
          <Readings
            grids={grids}
            reader={reader}
            understood={understood}
            choices={choices}
            onChoose={choose}
            isNoMissed={isNoMissed}
            onNoMissed={setNoMissed}
            habits={habits}
            nameChoices={nameChoices}
            coming={coming}
            onName={chooseName}
          />
        )}
      </View>
    </Page>
  );
}
