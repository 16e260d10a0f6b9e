import { type Habit } from '@wimbel/core';
import type { NameChoice } from '@wimbel/exchange';
import { type ComponentProps, memo } from 'react';
import { View } from 'react-native';
import { counted, percent } from '../../../text/format.ts';
import { useIsWide } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { Words } from '../../../ui/Words.tsx';
import { KeptTable } from './ImportedTable.tsx';
import { NamesCard } from './NamesCard.tsx';
import { QuestionsCard } from './QuestionsCard.tsx';
import { leftWords } from './importText.ts';
import type { Coming } from './reader.ts';

/** How everything was read, each reading to be changed. It stays as it is while the days come in. */
export const Readings = memo(function Readings({
  understood,
  choices,
  onChoose,
  isNoMissed,
  onNoMissed,
  habits,
  nameChoices,
  coming,
  onName,
  ...table
}: Omit<ComponentProps<typeof KeptTable>, 'understood'> &
  ComponentProps<typeof QuestionsCard> & {
    habits: readonly Habit[];
    nameChoices: NameChoice[];
    coming: Coming | null;
    onName: (of: string, choice: NameChoice) => void;
  }) {
  const isWide = useIsWide();
  return (
    <>
      <QuestionsCard
        understood={understood}
        choices={choices}
        onChoose={onChoose}
        isNoMissed={isNoMissed}
        onNoMissed={onNoMissed}
      />
      <View style={isWide ? { flexDirection: 'row', gap: SPACE.l, alignItems: 'flex-start' } : { gap: SPACE.l }}>
        <View style={isWide ? { width: 360 } : null}>
          <NamesCard understood={understood} habits={habits} choices={nameChoices} coming={coming} onChoose={onName} />
        </View>
        <View style={isWide ? { flex: 1, minWidth: 0 } : null}>
          <KeptTable {...table} understood={understood} choices={choices} onChoose={onChoose} />
        </View>
      </View>
    </>
  );
});

/** What was found, what is left out of it, and the button that brings it in. */
export function ReadCard({
  name,
  found,
  coming,
  share,
  onBring,
  onStop,
  onAgain,
}: {
  name: string;
  found: string;
  coming: Coming | null;
  share: number | null;
  onBring: () => void;
  onStop: () => void;
  onAgain: () => void;
}) {
  const isNothing = coming === null || (coming.days === 0 && coming.habits.length === 0 && coming.changed.length === 0);
  return (
    <SectionCard title={name}>
      <Words type="name">{found}</Words>
      {coming === null
        ? null
        : leftWords(coming).map((line) => (
            <Words key={line} type="quiet" tone="quiet">
              {line}
            </Words>
          ))}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button kind="main" isBusy={share !== null} isDisabled={isNothing} onPress={onBring}>
          {share !== null
            ? `Bringing in, ${percent(share)}`
            : coming === null
              ? 'Bring in'
              : coming.days === 0
                ? 'Nothing to bring in'
                : `Bring in ${counted(coming.days, 'day')}`}
        </Button>
        {share === null ? (
          <Button kind="bare" onPress={onAgain}>
            Choose another
          </Button>
        ) : (
          <Button kind="bare" onPress={onStop}>
            Stop
          </Button>
        )}
      </View>
    </SectionCard>
  );
}
