import type { DaySpan } from '@wimbel/core';
import { useRouter } from 'expo-router';
import { useContext } from 'react';
import { View } from 'react-native';
import type { MarkChoice } from '../../../charts/useMarks.ts';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Words } from '../../../ui/Words.tsx';
import { logAddress } from '../choice/chartAddress.ts';
import type { FigureQuery } from '../../../text/figureQuery.ts';
import { IsPrinted } from '../../../components/figure/printed.ts';
import { Figure } from '../../../components/figure/Figure.tsx';

/** What the mark that is looked at says, and the way to its days in the log; what to do while none is. */
export function MarkWords({
  choice,
  words,
  idle,
  days,
  asked = null,
}: {
  choice: MarkChoice;
  words: string | null;
  idle: string;
  days: DaySpan | null;
  /** The figure of its text, while there is a mark. */
  asked?: FigureQuery | null;
}) {
  const styles = useStyles();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const isPrinted = useContext(IsPrinted);
  // Under a mouse that passes the way could never be reached: a tap keeps the mark.
  const isPassing = choice.at !== choice.chosen;
  // Paper cannot be pointed at; what is not about pointing still helps to read the picture.
  if (isPrinted) {
    const told = words ?? idle;
    return /^Choose a /.test(told) || told === '' ? null : (
      <Words type="quiet" tone="quiet">
        {told}
      </Words>
    );
  }
  return (
    <View role="status" aria-live="polite" style={styles.line}>
      <View style={styles.words}>
        {words !== null && asked !== null ? (
          <Figure asked={asked} label={words}>
            <Words type="label">{words}</Words>
          </Figure>
        ) : (
          <Words type="label" tone={words === null ? 'quiet' : 'ink'}>
            {words ?? idle}
          </Words>
        )}
      </View>
      {words !== null && days !== null && days.first <= today && !isPassing ? (
        <Button kind="bare" onPress={() => router.push(logAddress(days))}>
          See it in the log
        </Button>
      ) : null}
    </View>
  );
}

const useStyles = themed(() => ({
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    alignContent: 'center',
    minHeight: 44,
    marginVertical: -SPACE.xs,
    gap: SPACE.s,
    flexWrap: 'wrap',
  },
  words: { flex: 1, minWidth: 180 },
}));
