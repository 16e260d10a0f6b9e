import { formatDay, parseDay } from '@wimbel/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { counted } from '../../../text/format.ts';
import { changeTo, newId } from '../../../store/makeChange.ts';
import { selectAreas, selectHabits, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { useRecording } from '../../../sync/recording.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { dyeColor } from '../../../theme/dye.ts';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { Field } from '../../../ui/Field.tsx';
import { FormPage } from '../../../ui/FormPage.tsx';
import { PegPicture } from '../../../ui/Peg.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { Words } from '../../../ui/Words.tsx';
import { MOST_LINES, type UnderstoodLine, habitFromLine, lineWords, understoodLines } from './habitList.ts';
import { HABIT_IDEAS } from '../../../components/habitForm/habitIdeas.ts';
import { PATHS } from '../../../platform/paths.ts';

/** Adds many habits at once: a list, one a line, with what is understood of each before it is kept. */
export function HabitListScreen() {
  const router = useRouter();
  const toast = useToast();
  const { change } = useRecording();
  const { start, day } = useLocalSearchParams<{ start?: string; day?: string }>();
  const today = useAppSelector(selectToday);
  const areas = useAppSelector(selectAreas);
  const habits = useAppSelector(selectHabits);
  const [text, setText] = useState(() => HABIT_IDEAS.find(({ id }) => id === start)?.lines.join('\n') ?? '');
  const [fault, setFault] = useState<string | null>(null);
  const lines = useMemo(
    () =>
      understoodLines(
        text,
        areas,
        habits.map(({ name }) => name),
      ),
    [text, areas, habits],
  );
  const back = (): void => (router.canGoBack() ? router.back() : router.replace(PATHS.today));

  const save = (): void => {
    const wrong = lines.filter((line) => line.fault !== null).length;
    if (lines.length === 0) return setFault('Write at least one habit.');
    if (lines.length > MOST_LINES) return setFault(`Add at most ${MOST_LINES} at a time; nothing is added yet.`);
    if (wrong > 0) return setFault('One of the lines below needs another look. Nothing is added yet.');
    const first = (habits.at(-1)?.order ?? -1) + 1;
    const startsOn = formatDay(Math.min(today, parseDay(day ?? '') ?? today));
    const made = lines.map(({ habit }, index) => habitFromLine(habit, { id: newId(), order: first + index, startsOn }));
    const onUndo = change(...made.map((habit) => changeTo('habits', habit)));
    toast({
      text: made.length === 1 ? `${made[0]!.name} is on your days` : `${made.length} habits are on your days`,
      onUndo,
    });
    back();
  };

  return (
    <FormPage
      title="Habits from a list"
      saveLabel={lines.length > 0 ? `Add ${counted(lines.length, 'habit')}` : 'Add habits'}
      onSave={save}
      onBack={back}
      fault={fault}
    >
      <Starts onPick={(more) => setText((before) => [before.trimEnd(), ...more].filter(Boolean).join('\n'))} />
      <Field
        label="One habit a line"
        hint="After the name, if you like: how much, how often, when in the day, and an area of yours."
        placeholder={'Cello 20 min, 3 a week, evenings\nNo coffee after two\nSand the hull, Sat Sun'}
        multiline
        numberOfLines={8}
        autoFocus
        value={text}
        onChangeText={(next) => {
          setText(next);
          setFault(null);
        }}
      />
      {lines.length > 0 ? <Understood lines={lines.slice(0, MOST_LINES)} /> : null}
    </FormPage>
  );
}

/** Small starts, each of which adds its lines to the list. */
function Starts({ onPick }: { onPick: (lines: readonly string[]) => void }) {
  const styles = useStyles();
  return (
    <View style={styles.starts}>
      <Words type="label" tone="quiet">
        Small starts, to change as you like
      </Words>
      <View style={styles.buttons}>
        {HABIT_IDEAS.map(({ id, label, lines }) => (
          <Button key={id} onPress={() => onPick(lines)}>
            {label}
          </Button>
        ))}
      </View>
    </View>
  );
}

function Understood({ lines }: { lines: readonly UnderstoodLine[] }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const areas = useAppSelector(selectAreas);
  const areaById = useAppSelector((state) => state.records.areas);
  return (
    <View style={styles.starts} role="region" aria-label="What was understood">
      <Words type="label" tone="quiet">
        As it is understood
      </Words>
      <Card isFlush>
        {lines.map(({ habit, fault, hint }, index) => (
          <View key={index} style={[styles.line, index > 0 && styles.parted]}>
            <PegPicture state="done" sizePx={22} color={dyeColor(colors, areaById[habit.areaId ?? '']?.color)} />
            <View style={styles.words}>
              <Words type="strong" numberOfLines={3}>
                {habit.name}
              </Words>
              <Words type="quiet" tone="quiet">
                {lineWords(habit, areas)}
              </Words>
              {fault !== null || hint !== null ? (
                <Words type="quiet" tone={fault !== null ? 'madder' : 'brassText'}>
                  {fault ?? hint}
                </Words>
              ) : null}
            </View>
          </View>
        ))}
      </Card>
    </View>
  );
}

const useStyles = themed((colors) => ({
  starts: { gap: SPACE.s },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.m,
    paddingHorizontal: SPACE.l,
    paddingVertical: SPACE.m,
  },
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
  words: { flex: 1, minWidth: 0, gap: 1 },
}));
