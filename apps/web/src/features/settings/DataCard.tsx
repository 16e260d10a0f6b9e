import type { Collection, Issue } from '@wimbel/contract';
import type { Records } from '@wimbel/core';
import { dataFileOf, readDataFileText, writeDataFile } from '@wimbel/exchange';
import { useRouter } from 'expo-router';
import { createElement, useRef, useState } from 'react';
import { View } from 'react-native';
import { useStore } from 'react-redux';
import { download } from '../../shared/download.ts';
import { deviceNow } from '../../shared/clock.ts';
import { counted } from '../../shared/format.ts';
import { PATHS } from '../../shared/paths.ts';
import { type Way, broughtIn, countsOf, recordsOf } from '../../store/broughtIn.ts';
import type { RootState } from '../../store/store.ts';
import { useRecording } from '../../sync/RecordsProvider.tsx';
import { Button } from '../../ui/Button.tsx';
import { SectionCard } from '../../ui/SectionCard.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useToast } from '../../ui/Toast.tsx';
import { Words } from '../../ui/Words.tsx';

/** Kinds of records as a person would call them. */
const KINDS: Record<Exclude<Collection, 'settings'>, [one: string, many?: string]> = {
  areas: ['area'],
  habits: ['habit'],
  entries: ['day of a habit', 'days of habits'],
  goals: ['goal'],
  keyResults: ['key result'],
  checkIns: ['check-in'],
  steps: ['step'],
  milestones: ['milestone'],
  seasons: ['season'],
  months: ['page of a month', 'pages of months'],
  prompts: ['prompt'],
  journal: ['journal page'],
  reviews: ['review'],
  habitNotes: ['note'],
  rewards: ['reward'],
  claims: ['reward taken', 'rewards taken'],
  quotes: ['quote'],
  reminders: ['reminder'],
};

const kindWords = (records: Records): string[] =>
  countsOf(records).map(([collection, count]) => {
    const [one, many] = KINDS[collection as keyof typeof KINDS];
    return many === undefined ? counted(count, one) : `${count} ${count === 1 ? one : many}`;
  });

type Read = { name: string; records: Records } | { name: string; issues: Issue[] };

/** So many faults of a file are shown; there may be thousands. */
const SHOWN_ISSUES = 8;

/** Everything recorded as one file, out and in. */
export function DataCard() {
  const store = useStore<RootState>();
  const router = useRouter();
  const picker = useRef<HTMLInputElement | null>(null);
  const [read, setRead] = useState<Read | null>(null);
  const save = (): void => {
    const now = deviceNow();
    const text = writeDataFile(dataFileOf(recordsOf(store.getState().records), now.toISOString()));
    const day = [now.getFullYear(), now.getMonth() + 1, now.getDate()].map((each) => String(each).padStart(2, '0'));
    download(`wimbel-${day.join('-')}.json`, new Blob([text], { type: 'application/json' }));
  };
  const open = async (file: File | undefined): Promise<void> => {
    if (file === undefined) return;
    const result = readDataFileText(await file.text());
    setRead({
      name: file.name,
      ...(result.records === null ? { issues: result.issues } : { records: result.records }),
    });
  };
  return (
    <SectionCard title="Your data">
      <Words tone="quiet">
        Everything you recorded as one file that other programs can read: to keep a copy, or to take it elsewhere. What
        you kept in a spreadsheet or a list of your own can come in too.
      </Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Button onPress={save}>Download my data</Button>
        <Button onPress={() => picker.current?.click()}>Bring data in</Button>
        <Button onPress={() => router.push(PATHS.bringIn)}>Bring in a table</Button>
      </View>
      {createElement('input', {
        ref: picker,
        type: 'file',
        accept: '.json,application/json',
        'aria-label': 'A Wimbel data file',
        hidden: true,
        onChange: (event: { target: HTMLInputElement }) => {
          void open(event.target.files?.[0]);
          event.target.value = '';
        },
      })}
      {read === null ? null : <BringInSheet read={read} onClose={() => setRead(null)} />}
    </SectionCard>
  );
}

function BringInSheet({ read, onClose }: { read: Read; onClose: () => void }) {
  const store = useStore<RootState>();
  const { change } = useRecording();
  const toast = useToast();
  if ('issues' in read) {
    return (
      <Sheet title="This file cannot be brought in" onClose={onClose}>
        <Words>{`${read.name} has ${counted(read.issues.length, 'fault')}. Nothing was changed.`}</Words>
        {read.issues.slice(0, SHOWN_ISSUES).map(({ path, message }, index) => (
          <Words key={index} type="quiet" tone="quiet">
            {[path.slice(0, 80), message.slice(0, 160)].filter(Boolean).join(' ')}
          </Words>
        ))}
        {read.issues.length > SHOWN_ISSUES ? (
          <Words type="quiet" tone="quiet">{`and ${read.issues.length - SHOWN_ISSUES} more`}</Words>
        ) : null}
        <Button onPress={onClose}>Close</Button>
      </Sheet>
    );
  }
  const bring = (way: Way): void => {
    const changes = broughtIn(store.getState().records, read.records, way);
    onClose();
    if (changes.length === 0) {
      toast({ text: 'Everything in the file was here already' });
      return;
    }
    toast({ text: `${counted(changes.length, 'record')} brought in`, onUndo: change(...changes) });
  };
  const kinds = kindWords(read.records);
  return (
    <Sheet title="Bring this file in?" onClose={onClose}>
      <Words>{`${read.name} can be brought in. It holds ${kinds.length === 0 ? 'settings only' : kinds.join(', ')}.`}</Words>
      <Button kind="main" onPress={() => bring('merge')}>
        Add to what is here
      </Button>
      <Words type="quiet" tone="quiet">
        Nothing goes. Where both hold the same record, the file’s takes its place.
      </Words>
      <Button onPress={() => bring('replace')}>Replace what is here</Button>
      <Words type="quiet" tone="quiet">
        What the file does not hold goes. You can undo it.
      </Words>
    </Sheet>
  );
}
