import type { Collection } from '@wimbel/contract';
import { counted, percent } from '../../../text/format.ts';
import type { ImportMode } from '../../../store/importPlan.ts';
import { Button } from '../../../ui/Button.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { Words } from '../../../ui/Words.tsx';
import type { Plan } from '../import/fileReader.ts';
import { useFilePlans, type useFileReader } from '../import/useFileReader.ts';

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

export function BringInSheet({
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
