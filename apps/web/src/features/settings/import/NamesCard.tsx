import type { Habit } from '@wimbel/core';
import { type NameChoice } from '@wimbel/exchange';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { counted } from '../../../text/format.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { Words } from '../../../ui/Words.tsx';
import { type FirstDay, FirstDaysSheet } from '../../../components/habitForm/FirstDaysSheet.tsx';
import { choiceWords } from './importText.ts';
import type { Coming, Understood } from './reader.ts';
import { NameSheet } from './NameSheet.tsx';

type Props = {
  understood: Understood;
  habits: readonly Habit[];
  choices: readonly NameChoice[];
  /** By name, the day that it counts from where that is new, and that of its first mark; null while it is worked out. */
  coming: Pick<Coming, 'starts' | 'marks'> | null;
  onChoose: (name: string, choice: NameChoice) => void;
};

/** A table that was read wrongly may have thousands. */
const AT_ONCE = 100;

/** The names that were found, each with where its days go. */
export function NamesCard({ understood, habits, choices, coming, onChoose }: Props) {
  const styles = useStyles();
  const { colors } = useTheme();
  const [open, setOpen] = useState<number | null>(null);
  const [shown, setShown] = useState(AT_ONCE);
  const [isDating, setDating] = useState(false);
  const byId = new Map(habits.map((each) => [each.id, each]));
  const { names } = understood;
  const begun = names.flatMap(({ name }, at): FirstDay[] => {
    const from = coming?.starts[at] ?? null;
    return from === null ? [] : [{ id: name, name, from, mark: coming?.marks[at] ?? null }];
  });
  return (
    <SectionCard title={counted(names.length, 'name')} isFlush>
      {begun.length === 0 ? null : (
        <Button kind="bare" style={styles.dating} onPress={() => setDating(true)}>
          Change first days
        </Button>
      )}
      {isDating ? (
        <FirstDaysSheet
          habits={begun}
          onClose={() => setDating(false)}
          onApply={(chosen, from) => {
            for (const [at, { name }] of names.entries()) {
              const choice = choices[at]!;
              if (chosen.includes(name) && choice.to !== 'nowhere') onChoose(name, { ...choice, from });
            }
            setDating(false);
          }}
        />
      ) : null}
      {names.slice(0, shown).map((each, at) => {
        const choice = choices[at]!;
        const where = choiceWords(choice, byId, coming?.starts[at] ?? null);
        return (
          <Pressable
            key={each.name}
            role="button"
            aria-label={`${each.name}, ${counted(each.days, 'day')}. ${where}. Change`}
            onPress={() => setOpen(at)}
            style={({ pressed }) => [styles.name, at > 0 && styles.parted, pressed && styles.pressed]}
          >
            <View style={styles.words}>
              <Words type="name" numberOfLines={2} tone={choice.to === 'nowhere' ? 'quiet' : undefined}>
                {each.name}
              </Words>
              <Words type="quiet" tone={choice.to === 'new' ? 'working' : 'quiet'} numberOfLines={2}>
                {where}
              </Words>
            </View>
            <Words type="quiet" tone="quiet">
              {counted(each.days, 'day')}
            </Words>
            <ChevronRight size={18} color={colors.quiet} />
          </Pressable>
        );
      })}
      {shown < names.length ? (
        <Button kind="bare" onPress={() => setShown(shown + AT_ONCE)}>
          {`Show ${Math.min(AT_ONCE, names.length - shown)} more of ${counted(names.length, 'name')}`}
        </Button>
      ) : null}
      {open === null ? null : (
        <NameSheet
          name={names[open]!}
          choice={choices[open]!}
          habits={habits}
          onClose={() => setOpen(null)}
          onChoose={(choice) => onChoose(names[open]!.name, choice)}
        />
      )}
    </SectionCard>
  );
}

const useStyles = themed((colors) => ({
  dating: { alignSelf: 'flex-start', marginLeft: SPACE.xs },
  name: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    minHeight: 56,
    paddingVertical: SPACE.s,
    paddingHorizontal: SPACE.m,
  },
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
  pressed: { opacity: 0.6 },
  words: { flex: 1, minWidth: 0 },
}));
