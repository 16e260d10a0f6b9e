import type { Collection, UsageAnswer } from '@wimbel/contract';
import { useRouter } from 'expo-router';
import { createElement, useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { api } from '../../../platform/api.ts';
import { deviceNow } from '../../../platform/clock.ts';
import { counted, percent } from '../../../text/format.ts';
import { PATHS } from '../../../platform/paths.ts';
import { useAppSelector } from '../../../store/store.ts';
import type { ImportMode } from '../../../store/importPlan.ts';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { Words } from '../../../ui/Words.tsx';
import type { OpenedFile, Plan } from '../import/fileReader.ts';
import { readingFault } from '../import/importText.ts';
import { useFilePlans, useFileReader } from '../import/useFileReader.ts';
import { useExportName } from '../../../components/account/useExportName.ts';
import { quotaText } from '../../../text/quotaText.ts';
import { useExport } from '../export/useExport.ts';

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

const kindWords = (kinds: readonly [Collection, number][]): string[] =>
  kinds.map(([collection, count]) => {
    const [one, many] = KINDS[collection as keyof typeof KINDS];
    return many === undefined ? counted(count, one) : `${count} ${count === 1 ? one : many}`;
  });

type Read = { name: string; file: OpenedFile | null };

const row = { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s } as const;

/** Everything recorded as one file, out and in; and what was kept elsewhere. */
export function DataCard() {
  const nameOf = useExportName();
  const router = useRouter();
  const picker = useRef<HTMLInputElement | null>(null);
  const { share, take, stop } = useExport(() => undefined);
  const reader = useFileReader();
  const toast = useToast();
  const [read, setRead] = useState<Read | null>(null);
  const save = (): void =>
    void take(
      { kind: 'everything', stamp: deviceNow().toISOString() },
      nameOf('json', 'everything'),
      'application/json',
      ['record', 'records'],
    );
  const open = async (file: File | undefined): Promise<void> => {
    if (file === undefined) return;
    setRead({ name: file.name, file: null });
    try {
      const opened = await reader.open(await file.arrayBuffer());
      setRead({ name: file.name, file: opened });
    } catch (error) {
      setRead(null);
      toast({ text: `${file.name} can’t be read. ${readingFault(error)}` });
    }
  };
  return (
    <SectionCard title="Your data">
      <Words tone="quiet">
        Everything you recorded as one file that other programs can read: to keep a copy, or to take it elsewhere. What
        you kept in a spreadsheet or a list of your own can come in too.
      </Words>
      <View style={row}>
        <Button onPress={save} isBusy={share !== null}>
          {share === null ? 'Download my data' : `Gathering, ${percent(share)}`}
        </Button>
        {share === null ? null : (
          <Button kind="bare" onPress={stop}>
            Stop
          </Button>
        )}
        <Button onPress={() => picker.current?.click()}>Bring data in</Button>
        <Button onPress={() => router.push(PATHS.bringIn)}>Bring in a table</Button>
      </View>
      <Room />
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
      {read === null ? null : read.file === null ? (
        <Sheet title={`Reading ${read.name}`} onClose={() => setRead(null)}>
          <Words tone="quiet">All of it is checked before anything is kept.</Words>
        </Sheet>
      ) : read.file.issues !== null ? (
        <FaultsSheet name={read.name} file={read.file} onClose={() => setRead(null)} />
      ) : (
        <BringInSheet name={read.name} kinds={read.file.kinds} reader={reader} onClose={() => setRead(null)} />
      )}
    </SectionCard>
  );
}

/** How much room the account takes, asked of the server each time the page is opened. */
function Room() {
  const accountId = useAppSelector((state) => state.account.account?.id);
  const [answer, setAnswer] = useState<UsageAnswer | null>(null);
  useEffect(() => {
    if (accountId === undefined) return;
    let isGone = false;
    api.usage(accountId).then(
      (next) => {
        if (!isGone) setAnswer(next);
      },
      // Unknown without the server: nothing is shown.
      () => undefined,
    );
    return () => {
      isGone = true;
    };
  }, [accountId]);
  if (answer === null) return null;
  const { text, isNearlyFull } = quotaText(answer);
  return (
    <View role={isNearlyFull ? 'alert' : 'note'}>
      <Words type="quiet" tone={isNearlyFull ? 'madder' : 'quiet'}>
        {text}
      </Words>
    </View>
  );
}

function FaultsSheet({
  name,
  file: { issues, issueCount },
  onClose,
}: {
  name: string;
  file: Extract<OpenedFile, { issueCount: number }>;
  onClose: () => void;
}) {
  return (
    <Sheet title="This file cannot be brought in" onClose={onClose}>
      <Words>{`${name} has ${counted(issueCount, 'fault')}. Nothing was changed.`}</Words>
      {issues.map(({ path, message }, index) => (
        <Words key={index} type="quiet" tone="quiet">
          {[path.slice(0, 80), message.slice(0, 160)].filter(Boolean).join(' ')}
        </Words>
      ))}
      {issueCount > issues.length ? (
        <Words type="quiet" tone="quiet">{`and ${issueCount - issues.length} more`}</Words>
      ) : null}
      <Button onPress={onClose}>Close</Button>
    </Sheet>
  );
}

/** What a way of bringing in comes to, in a sentence. */
const planWords = ({ fresh, replaced, stays, gone }: Plan): string =>
  [
    `${fresh} new`,
    `${replaced} in the place of what is here`,
    stays > 0 ? `${stays} stay, as you changed them later` : null,
    gone > 0 ? `${gone} go` : null,
  ]
    .filter((each) => each !== null)
    .join(', ');

function BringInSheet({
  name,
  kinds,
  reader,
  onClose,
}: {
  name: string;
  kinds: [Collection, number][];
  reader: ReturnType<typeof useFileReader>;
  onClose: () => void;
}) {
  const toast = useToast();
  const { plans, share, fault, bring, stop } = useFilePlans(reader);
  const go = async (way: ImportMode): Promise<void> => {
    if (plans?.[way].count === 0) {
      onClose();
      toast({ text: 'Everything in the file was here already' });
      return;
    }
    const undo = await bring(way);
    if (undo === null) return;
    onClose();
    toast({ text: `${counted(plans![way].count, 'record')} brought in`, onUndo: undo });
  };
  const told = kindWords(kinds);
  return (
    <Sheet title="Bring this file in?" onClose={onClose}>
      <Words>{`${name} can be brought in. It holds ${told.length === 0 ? 'settings only' : told.join(', ')}.`}</Words>
      {share !== null ? (
        <>
          <Words>{`Bringing in, ${percent(share)}`}</Words>
          <Words type="quiet" tone="quiet">
            Should this page be closed meanwhile, it goes on the next time.
          </Words>
          <Button kind="bare" onPress={stop}>
            Stop
          </Button>
        </>
      ) : plans === null ? (
        <Words tone="quiet">{fault ?? 'Comparing it with what is here …'}</Words>
      ) : (
        <>
          {fault === null ? null : <Words tone="madder">{fault}</Words>}
          <Button kind="main" onPress={() => void go('merge')}>
            Add to what is here
          </Button>
          <Words type="quiet" tone="quiet">
            {`Nothing goes. ${planWords(plans.merge)}.`}
          </Words>
          <Button onPress={() => void go('replace')}>Replace what is here</Button>
          <Words type="quiet" tone="quiet">
            {`What the file does not hold goes. ${planWords(plans.replace)}. You can undo it.`}
          </Words>
        </>
      )}
    </Sheet>
  );
}
