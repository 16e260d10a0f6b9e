import { type FiguredSeason, seasonWeekSpan } from '@wimbel/core';
import { useRouter } from 'expo-router';
import CalendarRange from 'lucide-react-native/icons/calendar-range';
import Flag from 'lucide-react-native/icons/flag';
import ListOrdered from 'lucide-react-native/icons/list-ordered';
import Printer from 'lucide-react-native/icons/printer';
import Trash from 'lucide-react-native/icons/trash';
import { useState } from 'react';
import { View } from 'react-native';
import { counted, dayInWords } from '../../../text/format.ts';
import { PATHS, seasonEditPath } from '../../../platform/paths.ts';
import { changeTo, removalOf } from '../../../store/makeChange.ts';
import { selectReviews } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { useRecording } from '../../../sync/recording.ts';
import { SPACE } from '../../../theme/space.ts';
import { ActionList } from '../../../ui/ActionList.tsx';
import { Button } from '../../../ui/Button.tsx';
import { printPage } from '../../../platform/printPage.ts';
import { Sheet } from '../../../ui/Sheet.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { Words } from '../../../ui/Words.tsx';

/** What can be done to a season as a whole: end it early, shift or lengthen it, see the others, delete it. */
export function SeasonMenu({ figured, onClose }: { figured: FiguredSeason; onClose: () => void }) {
  const router = useRouter();
  const [step, setStep] = useState<'menu' | 'end' | 'delete'>('menu');
  const { season, standing } = figured;
  if (step === 'end') return <EndSheet figured={figured} onClose={onClose} />;
  if (step === 'delete') return <DeleteSheet figured={figured} onClose={onClose} />;
  return (
    <Sheet title={season.title} onClose={onClose}>
      <ActionList
        actions={[
          ...(standing.phase === 'running'
            ? [
                {
                  label: 'End it early',
                  hint: 'Its weeks up to then stay as they are.',
                  icon: Flag,
                  onPress: () => setStep('end'),
                },
              ]
            : []),
          {
            label: 'Longer, shorter, other days',
            hint: 'Figures follow; what you wrote stays with its days.',
            icon: CalendarRange,
            onPress: () => {
              onClose();
              router.push(seasonEditPath(season.id));
            },
          },
          {
            label: 'Print',
            hint: 'This page, with its weeks and what you wrote.',
            icon: Printer,
            onPress: () => {
              onClose();
              printPage();
            },
          },
          {
            label: 'All seasons',
            hint: 'Beside one another, with their scores.',
            icon: ListOrdered,
            onPress: () => {
              onClose();
              router.push(PATHS.seasons);
            },
          },
          {
            label: 'Delete',
            hint: 'With its looks back. Its goals and habits stay.',
            icon: Trash,
            onPress: () => setStep('delete'),
          },
        ]}
      />
    </Sheet>
  );
}

function EndSheet({ figured: { season, standing }, onClose }: { figured: FiguredSeason; onClose: () => void }) {
  const { change } = useRecording();
  const toast = useToast();
  const week = standing.week ?? 0;
  const end = (weeks: number): void => {
    const last = seasonWeekSpan(season, weeks - 1).last;
    toast({
      text: `${season.title} ends on ${dayInWords(last)}`,
      onUndo: change(changeTo('seasons', { ...season, weeks })),
    });
    onClose();
  };
  const choices = [
    ...(week > 0 ? [{ weeks: week, words: 'With last week' }] : []),
    ...(week + 1 < season.weeks ? [{ weeks: week + 1, words: 'With this week' }] : []),
  ];
  return (
    <Sheet title="End it early" onClose={onClose}>
      {choices.length === 0 ? <Words tone="quiet">This is its only week. Delete it instead.</Words> : null}
      {choices.map(({ weeks, words }) => (
        <Button key={weeks} onPress={() => end(weeks)}>
          {`${words}, on ${dayInWords(seasonWeekSpan(season, weeks - 1).last)}`}
        </Button>
      ))}
      <Button kind="bare" onPress={onClose}>
        Cancel
      </Button>
    </Sheet>
  );
}

function DeleteSheet({ figured: { season }, onClose }: { figured: FiguredSeason; onClose: () => void }) {
  const router = useRouter();
  const { change } = useRecording();
  const toast = useToast();
  const own = useAppSelector(selectReviews).filter(({ seasonId }) => seasonId === season.id);
  const remove = (): void => {
    onClose();
    router.replace(PATHS.seasons);
    toast({
      text: `${season.title} is deleted`,
      onUndo: change(...own.map(({ id }) => removalOf('reviews', id)), removalOf('seasons', season.id)),
    });
  };
  return (
    <Sheet title="Delete this season?" onClose={onClose}>
      <Words>
        {own.length === 0
          ? 'Its goals and habits stay with all their figures.'
          : `${counted(own.length, 'look back', 'looks back')} written for it ${own.length === 1 ? 'goes' : 'go'} with it. Its goals and habits stay with all their figures.`}
      </Words>
      <View style={{ flexDirection: 'row', gap: SPACE.s }}>
        <Button kind="main" onPress={remove}>
          Delete season
        </Button>
        <Button kind="bare" onPress={onClose}>
          Cancel
        </Button>
      </View>
    </Sheet>
  );
}
