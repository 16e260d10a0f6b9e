import { type DaySpan, type PlainDay, type PlainMonth, daysIn, monthOfDay, monthSpan } from '@wimbel/core';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { monthAndYear } from '../../../text/format.ts';
import { IconButton } from '../../../ui/IconButton.tsx';
import { Words } from '../../../ui/Words.tsx';

/** Spans that are longer than this are shown a month at a time where days stand side by side. */
const LONGEST_LINE = 100;

/** The days of a span that are drawn side by side: all of a short one, of a long one a month, at first the latest with a record. */
export function useByMonth(
  span: DaySpan,
  today: PlainDay,
): { drawn: DaySpan; month: PlainMonth | null; arrows: React.ReactNode } {
  const isByMonth = daysIn(span) > LONGEST_LINE;
  const name = `${span.first} ${span.last}`;
  const latest = monthOfDay(Math.min(today, span.last));
  const [turned, setTurned] = useState<{ of: string; month: PlainMonth }>({ of: name, month: latest });
  const month = turned.of === name ? turned.month : latest;
  const drawn = useMemo(() => (isByMonth ? monthSpan(month) : span), [isByMonth, month, span]);
  const arrows = isByMonth ? (
    <View style={{ flexDirection: 'row', alignItems: 'center' }}>
      <IconButton
        icon={ChevronLeft}
        label="The month before"
        isDisabled={month <= monthOfDay(span.first)}
        onPress={() => setTurned({ of: name, month: month - 1 })}
      />
      <Words type="label">{monthAndYear(month)}</Words>
      <IconButton
        icon={ChevronRight}
        label="The month after"
        isDisabled={month >= monthOfDay(span.last)}
        onPress={() => setTurned({ of: name, month: month + 1 })}
      />
    </View>
  ) : null;
  return { drawn, month: isByMonth ? month : null, arrows };
}
