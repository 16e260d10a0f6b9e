import { type Goal, dayOf, formatDay, monthOfDay, monthSpan, quarterOfMonth, parseDay } from '@wimbel/core';
import { useRouter } from 'expo-router';
import CalendarClock from 'lucide-react-native/icons/calendar-clock';
import CircleCheck from 'lucide-react-native/icons/circle-check';
import CircleSlash from 'lucide-react-native/icons/circle-slash';
import Copy from 'lucide-react-native/icons/copy';
import Pause from 'lucide-react-native/icons/pause';
import Printer from 'lucide-react-native/icons/printer';
import RotateCcw from 'lucide-react-native/icons/rotate-ccw';
import Trash from 'lucide-react-native/icons/trash';
import { useState } from 'react';
import { View } from 'react-native';
import { useStore } from 'react-redux';
import { goesWithGoal } from '../../../store/removal.ts';
import { selectToday } from '../../../store/selectors.ts';
import { type RootState, useAppSelector } from '../../../store/store.ts';
import { useGoalActions } from '../../../components/goals/useGoalActions.ts';
import { counted, dateNear, yearOf } from '../../../text/format.ts';
import { printPage } from '../../../platform/printPage.ts';
import { SPACE } from '../../../theme/space.ts';
import { ActionList } from '../../../ui/ActionList.tsx';
import { Button } from '../../../ui/Button.tsx';
import { Chips } from '../../../ui/Chips.tsx';
import { Field } from '../../../ui/Field.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { Words } from '../../../ui/Words.tsx';
import { goalPath } from '../../../platform/paths.ts';

type Step = 'menu' | 'copy' | 'postpone' | 'reached' | 'dropped' | 'paused' | 'reopen' | 'delete';

/** What can be done to a goal as a whole: postpone, copy, pause, drop, close as reached, open again, delete. */
export function GoalMenu({ goal, onClose, onGone }: { goal: Goal; onClose: () => void; onGone: () => void }) {
  const [step, setStep] = useState<Step>('menu');
  const isOpen = goal.state === 'open';
  const open = [
    {
      label: 'Postpone',
      hint: 'Another due day; the old one stays in its story.',
      icon: CalendarClock,
      to: 'postpone',
    },
    { label: 'Close as reached', hint: 'It stays with its figures and its story.', icon: CircleCheck, to: 'reached' },
    { label: 'Pause', hint: 'It asks for nothing until you open it again.', icon: Pause, to: 'paused' },
    { label: 'Drop', hint: 'Let it go, with a reason. Its record stays.', icon: CircleSlash, to: 'dropped' },
  ] as const;
  const closed = [{ label: 'Open again', hint: 'It is worked on from today.', icon: RotateCcw, to: 'reopen' }] as const;
  const all = [
    ...(isOpen ? open : closed),
    {
      label: 'Copy to another year',
      hint: 'With its key results and steps, to be done again.',
      icon: Copy,
      to: 'copy',
    } as const,
    { label: 'Delete', hint: 'With everything in it.', icon: Trash, to: 'delete' } as const,
  ];
  if (step === 'menu') {
    return (
      <Sheet title={goal.title} onClose={onClose}>
        <ActionList
          actions={[
            ...all.map(({ to, ...each }) => ({ ...each, onPress: () => setStep(to) })),
            {
              label: 'Print',
              hint: 'This page, with its key results, steps and story.',
              icon: Printer,
              onPress: () => {
                onClose();
                printPage();
              },
            },
          ]}
        />
      </Sheet>
    );
  }
  if (step === 'postpone') return <PostponeSheet goal={goal} onClose={onClose} />;
  if (step === 'copy') return <CopySheet goal={goal} onClose={onClose} />;
  if (step === 'delete') return <DeleteGoalSheet goal={goal} onClose={onClose} onGone={onGone} />;
  return <StateSheet goal={goal} step={step} onClose={onClose} />;
}

const STATE_SHEETS = {
  reached: { title: 'Close as reached', label: 'How did it go', button: 'Close as reached' },
  dropped: { title: 'Drop this goal', label: 'Why it is let go', button: 'Drop it' },
  paused: { title: 'Pause this goal', label: 'What it waits for', button: 'Pause it' },
  reopen: { title: 'Open this goal again', label: 'What is different now', button: 'Open again' },
} as const;

function StateSheet({ goal, step, onClose }: { goal: Goal; step: keyof typeof STATE_SHEETS; onClose: () => void }) {
  const actions = useGoalActions();
  const today = useAppSelector(selectToday);
  const [note, setNote] = useState('');
  const [day, setDay] = useState(formatDay(today));
  const [fault, setFault] = useState<string | undefined>();
  const { title, label, button } = STATE_SHEETS[step];
  const save = (): void => {
    const on = parseDay(day);
    if (on === null || on > today) {
      setFault(on === null ? 'Choose a day' : 'That day is still to come');
      return;
    }
    onClose();
    if (step === 'reopen') actions.reopen(goal, note.trim());
    else actions.close(goal, step, note.trim(), on);
  };
  return (
    <Sheet title={title} onClose={onClose}>
      <Words tone="quiet">{goal.title}</Words>
      <Field
        label={label}
        value={note}
        onChangeText={setNote}
        multiline
        maxLength={5000}
        hint="Optional. It is kept in the goal’s story."
      />
      {step === 'reopen' ? null : (
        <Field
          label="On"
          value={day}
          onChangeText={(text) => {
            setDay(text);
            setFault(undefined);
          }}
          isDate
          error={fault}
        />
      )}
      <View style={{ flexDirection: 'row', gap: SPACE.s }}>
        <Button kind="main" onPress={save}>
          {button}
        </Button>
        <Button kind="bare" onPress={onClose}>
          Cancel
        </Button>
      </View>
    </Sheet>
  );
}

/** Years that a goal can be copied to at a press. */
const YEARS_ON = [0, 1, 2];

function CopySheet({ goal, onClose }: { goal: Goal; onClose: () => void }) {
  const actions = useGoalActions();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const own = Number(goal.startsOn.slice(0, 4));
  const now = Number(yearOf(today));
  const years = YEARS_ON.map((each) => now + each).filter((year) => year !== own);
  const [year, setYear] = useState(String(years.find((each) => each > own) ?? years[0]));
  return (
    <Sheet title="Copy to another year" onClose={onClose}>
      <Words tone="quiet">
        {goal.title}, with its key results, steps and milestones, moved to the same days of that year. Nothing of it is
        done yet.
      </Words>
      <Chips
        label="Year it starts in"
        chips={years.map((each) => ({ value: String(each), label: String(each) }))}
        chosen={[year]}
        onPress={setYear}
      />
      <View style={{ flexDirection: 'row', gap: SPACE.s }}>
        <Button
          kind="main"
          onPress={() => {
            onClose();
            router.push(goalPath(actions.copy(goal, Number(year) - own)));
          }}
        >
          Copy
        </Button>
        <Button kind="bare" onPress={onClose}>
          Cancel
        </Button>
      </View>
    </Sheet>
  );
}

/** Due days that are close at hand, from the day it is due now, or today. */
function nextDays(goal: Goal, today: number): { label: string; value: string }[] {
  const from = Math.max(today, goal.dueOn ? dayOf(goal.dueOn) : today);
  const quarter = quarterOfMonth(monthOfDay(from));
  const ends = monthSpan(monthSpan(quarter.last).last > from ? quarter.last : quarter.last + 3).last;
  return [
    { label: 'A week on', value: formatDay(from + 7) },
    { label: 'Four weeks on', value: formatDay(from + 28) },
    { label: 'End of the quarter', value: formatDay(ends) },
  ];
}

function PostponeSheet({ goal, onClose }: { goal: Goal; onClose: () => void }) {
  const actions = useGoalActions();
  const today = useAppSelector(selectToday);
  const [day, setDay] = useState(goal.dueOn ?? '');
  const [note, setNote] = useState('');
  const [fault, setFault] = useState<string | undefined>();
  const days = nextDays(goal, today);
  const save = (): void => {
    const found = day === '' ? 'Choose the new due day' : day === goal.dueOn ? 'It is due on this day already' : null;
    const refused = found ?? actions.postpone(goal, day, note.trim());
    if (refused === null) onClose();
    else setFault(refused);
  };
  return (
    <Sheet title="Postpone" onClose={onClose}>
      <Words tone="quiet">
        {goal.title}. {goal.dueOn ? `Due ${dateNear(dayOf(goal.dueOn), today)} so far.` : 'No due day so far.'}
      </Words>
      <Chips
        label="New due day, near at hand"
        chips={days}
        chosen={[day]}
        onPress={(value) => {
          setDay(value);
          setFault(undefined);
        }}
      />
      <Field
        label="New due day"
        value={day}
        onChangeText={(text) => {
          setDay(text);
          setFault(undefined);
        }}
        isDate
        error={fault}
      />
      <Field label="Why" value={note} onChangeText={setNote} multiline maxLength={5000} hint="Optional." />
      <View style={{ flexDirection: 'row', gap: SPACE.s }}>
        <Button kind="main" onPress={save}>
          Postpone
        </Button>
        <Button kind="bare" onPress={onClose}>
          Cancel
        </Button>
      </View>
    </Sheet>
  );
}

function DeleteGoalSheet({ goal, onClose, onGone }: { goal: Goal; onClose: () => void; onGone: () => void }) {
  const actions = useGoalActions();
  const goes = goesWithGoal(useStore<RootState>().getState().records, goal.id);
  const parts = [
    goes.keyResults > 0 ? counted(goes.keyResults, 'key result') : '',
    goes.checkIns > 0 ? counted(goes.checkIns, 'check-in') : '',
    goes.steps > 0 ? counted(goes.steps, 'step') : '',
    goes.milestones > 0 ? counted(goes.milestones, 'milestone') : '',
  ].filter(Boolean);
  return (
    <Sheet title={`Delete ${goal.title}?`} onClose={onClose}>
      <Words>
        {parts.length === 0 ? 'Nothing else goes with it.' : `With it go ${parts.join(', ')}.`} Its habits stay, with
        their record.
      </Words>
      <Words tone="quiet">A goal that is dropped instead keeps its story and asks for nothing.</Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button
          onPress={() => {
            onClose();
            onGone();
            actions.remove(goal);
          }}
        >
          Delete the goal
        </Button>
        <Button kind="main" onPress={onClose}>
          Keep it
        </Button>
      </View>
    </Sheet>
  );
}
