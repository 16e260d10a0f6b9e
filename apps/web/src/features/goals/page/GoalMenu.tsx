import { type Goal } from '@wimbel/core';
import CalendarClock from 'lucide-react-native/icons/calendar-clock';
import CircleCheck from 'lucide-react-native/icons/circle-check';
import CircleSlash from 'lucide-react-native/icons/circle-slash';
import Copy from 'lucide-react-native/icons/copy';
import Pause from 'lucide-react-native/icons/pause';
import Printer from 'lucide-react-native/icons/printer';
import RotateCcw from 'lucide-react-native/icons/rotate-ccw';
import Trash from 'lucide-react-native/icons/trash';
import { useState } from 'react';
import { printPage } from '../../../platform/printPage.ts';
import { ActionList } from '../../../ui/ActionList.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { PostponeSheet } from './PostponeSheet.tsx';
import { CopySheet } from './CopySheet.tsx';
import { DeleteGoalSheet } from './DeleteGoalSheet.tsx';
import { StateSheet } from './StateSheet.tsx';

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
