import {
  type DaySpan,
  type LogSpan,
  type PlainDay,
  dayOf,
  dayOfNeighbour,
  formatDay,
  holdsDay,
  isFreeSpan,
  startOfWeek,
} from '@wimbel/core';
import ArrowUpDown from 'lucide-react-native/icons/arrow-up-down';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import Grip from 'lucide-react-native/icons/grip';
import Keyboard from 'lucide-react-native/icons/keyboard';
import List from 'lucide-react-native/icons/list';
import Pencil from 'lucide-react-native/icons/pencil';
import { memo } from 'react';
import { View } from 'react-native';
import { selectSettings, selectToday } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { themed, useIsWide } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { DateButton } from '../../ui/DateButton.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { Segments } from '../../ui/Segments.tsx';
import { Words } from '../../ui/Words.tsx';
import { HabitFilterLine } from '../../components/habitFilter/HabitFilterChips.tsx';
import { SPAN_CHOICES, spanName, spanTitle } from './logWords.ts';
import type { LogPlace } from './useLogPlace.ts';
import { LogSummary } from './LogSummary.tsx';
import { usualDay } from './useLogPlace.ts';

export type Panel = 'keys' | 'order';

/** The span by its name, the ways to others, and what it came to. */
export const LogHead = memo(function LogHead({
  where: { kind, isList, only },
  span,
  onGo,
  onPanel,
  draws,
  onDraws,
  summed,
}: {
  where: LogPlace;
  span: DaySpan;
  onGo: (to: Partial<LogPlace>) => void;
  onPanel: (panel: Panel) => void;
  draws: boolean;
  onDraws: (draws: boolean) => void;
  /** What is summed up; null where there is nothing. */
  summed: Omit<React.ComponentProps<typeof LogSummary>, 'aside'> | null;
}) {
  const styles = useStyles();
  const isWide = useIsWide();
  const today = useAppSelector(selectToday);
  const { weekStart } = useAppSelector(selectSettings);
  const [title, aside] = spanTitle(kind, span, today, weekStart);
  const name = spanName(kind);
  const spans = <SpanChoice kind={kind} span={span} onGo={onGo} />;
  const order = (
    <IconButton icon={ArrowUpDown} name="Order" label="Which habits, in which order" onPress={() => onPanel('order')} />
  );
  const draw = (
    <IconButton icon={Pencil} label="Mark days by drawing" isPressed={draws} onPress={() => onDraws(!draws)} />
  );
  return (
    <View style={styles.header}>
      <View style={styles.head}>
        <IconButton
          icon={ChevronLeft}
          label={`The ${name} before`}
          onPress={() => onGo({ day: dayOfNeighbour(kind, span, -1) })}
        />
        <Words type={kind === 'month' || kind === 'year' ? 'title' : 'section'} heading={1}>
          {title}
        </Words>
        <DateButton
          label={kind === 'month' ? 'Go to a month' : isFreeSpan(kind) ? `First day of the ${name}` : 'Go to a day'}
          value={formatDay(!isFreeSpan(kind) && holdsDay(span, today) ? today : span.first)}
          text={aside}
          onChange={(text) => onGo({ day: dayOf(text) })}
        />
        <IconButton
          icon={ChevronRight}
          label={`The ${name} after`}
          onPress={() => onGo({ day: dayOfNeighbour(kind, span, 1) })}
        />
        {holdsDay(span, today) ? null : (
          <Button onPress={() => onGo({ day: usualDay(kind, today, weekStart) })}>
            {isFreeSpan(kind) ? 'Today' : `This ${name}`}
          </Button>
        )}
        <View style={styles.push} />
        {isWide ? spans : null}
        {isWide ? order : null}
        {isWide && !isList ? (
          <IconButton icon={Keyboard} name="Keys" label="Keys of the pegboard" onPress={() => onPanel('keys')} />
        ) : null}
        <IconButton
          icon={isList ? Grip : List}
          name={isList ? 'Pegboard' : 'List'}
          label={isList ? 'As the pegboard' : 'As a list by day'}
          onPress={() => onGo({ isList: !isList })}
        />
      </View>
      {isWide ? null : spans}
      <HabitFilterLine only={only} onAll={() => onGo({ only: null })} />
      {summed === null ? null : (
        <LogSummary
          {...summed}
          aside={
            isWide ? null : (
              <>
                {isList ? null : draw}
                {order}
              </>
            )
          }
        />
      )}
    </View>
  );
});

/** Which kind of span is shown; another is laid around a day in view, today if it is. */
function SpanChoice({ kind, span, onGo }: { kind: LogSpan; span: DaySpan; onGo: (to: Partial<LogPlace>) => void }) {
  const today = useAppSelector(selectToday);
  const { weekStart } = useAppSelector(selectSettings);
  const dayFor = (to: LogSpan): PlainDay => {
    const near = holdsDay(span, today) ? today : span.first;
    if (!isFreeSpan(to)) return near;
    if (near === today) return usualDay(to, today, weekStart);
    return to === 'sevenDays' ? near : startOfWeek(near, weekStart);
  };
  return (
    <Segments label="Span" value={kind} choices={SPAN_CHOICES} onChange={(to) => onGo({ kind: to, day: dayFor(to) })} />
  );
}

const useStyles = themed(() => ({
  header: { gap: SPACE.m },
  head: { flexDirection: 'row', alignItems: 'center', gap: SPACE.xs, marginLeft: -SPACE.m, flexWrap: 'wrap' },
  push: { flexGrow: 1 },
}));
