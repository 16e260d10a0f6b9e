import { type MonthPage, type PlainMonth, formatMonth } from '@wimbel/core';
import Plus from 'lucide-react-native/icons/plus';
import { useState } from 'react';
import { View } from 'react-native';
import { monthName } from '../../text/format.ts';
import { changeTo, removalOf } from '../../store/makeChange.ts';
import { useAppSelector } from '../../store/store.ts';
import { useRecording } from '../../sync/recording.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Chips } from '../../ui/Chips.tsx';
import { Field } from '../../ui/Field.tsx';
import { Words } from '../../ui/Words.tsx';
import { NoteField } from '../entry/NoteField.tsx';

/** A month's word and aims, and a way to change them; one that says nothing goes. */
export function useMonthPage(month: PlainMonth): [MonthPage, (next: MonthPage) => void] {
  const { change } = useRecording();
  const key = formatMonth(month);
  const page = useAppSelector((state) => state.records.months[key]) ?? { month: key, aims: [] };
  return [
    page,
    ({ word, aims, ...rest }) => {
      const isEmpty = !word && aims.length === 0;
      change(isEmpty ? removalOf('months', key) : changeTo('months', { ...rest, aims, ...(word ? { word } : {}) }));
    },
  ];
}

const LONGEST_WORD = 200;

/** The word and aims of a month, each aim of the month before kept by one tap. */
export function MonthAims({ month, withWord = false }: { month: PlainMonth; withWord?: boolean }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const [page, keep] = useMonthPage(month);
  const [before] = useMonthPage(month - 1);
  const [typed, setTyped] = useState<string | null>(null);
  const name = monthName(month);
  const aims = [...new Set([...before.aims, ...page.aims])];
  const add = (): void => {
    const aim = (typed ?? '').trim();
    if (aim !== '' && !page.aims.includes(aim)) keep({ ...page, aims: [...page.aims, aim] });
    // The line is ready for another one; an empty line is closed.
    setTyped(aim === '' ? null : '');
  };
  const leave = (): void => {
    add();
    setTyped(null);
  };
  return (
    <View style={styles.aims}>
      {withWord ? (
        <NoteField
          label={`A word for ${name}`}
          note={page.word ?? ''}
          maxLength={LONGEST_WORD}
          isLine
          onChange={(word) => keep({ ...page, word })}
        />
      ) : null}
      <Words type="label" tone="quiet" heading={2}>
        {`To keep in mind in ${name}`}
      </Words>
      {aims.length === 0 ? null : (
        <Chips
          label={`To keep in mind in ${name}`}
          isMultiple
          chips={aims.map((aim) => ({ value: aim, label: aim }))}
          chosen={page.aims}
          onPress={(aim) =>
            keep({
              ...page,
              aims: page.aims.includes(aim) ? page.aims.filter((each) => each !== aim) : [...page.aims, aim],
            })
          }
        />
      )}
      {before.aims.length === 0 ? null : (
        <Words type="quiet" tone="quiet">
          {`Tap what to keep from ${monthName(month - 1)}.`}
        </Words>
      )}
      {typed === null ? (
        <Button
          kind="bare"
          icon={<Plus size={18} color={colors.working} />}
          onPress={() => setTyped('')}
          style={styles.add}
        >
          Add something to keep in mind
        </Button>
      ) : (
        <Field
          label={`Something to keep in mind in ${name}`}
          value={typed}
          onChangeText={setTyped}
          onBlur={leave}
          onSubmitEditing={add}
          blurOnSubmit={false}
          maxLength={LONGEST_WORD}
          autoFocus
        />
      )}
    </View>
  );
}

const useStyles = themed(() => ({
  aims: { gap: SPACE.s },
  add: { alignSelf: 'flex-start', marginLeft: -SPACE.s },
}));
