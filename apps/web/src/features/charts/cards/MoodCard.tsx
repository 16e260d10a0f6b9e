import { View } from 'react-native';
import { type MoodMean, type Track, moodBeside, moodByDay } from '@wimbel/core';
import { useMemo } from 'react';
import { MoodPicture } from '../../../charts/MoodPicture.tsx';
import { useMarks } from '../../../charts/useMarks.ts';
import { selectIsHidden } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { counted } from '../../../text/format.ts';
import { useTheme } from '../../../theme/Theme.tsx';
import { dyeColor } from '../../../theme/dye.ts';
import { Words } from '../../../ui/Words.tsx';
import { ChartCard } from './ChartCard.tsx';
import type { DaysProps } from './DayCards.tsx';
import { MarkWords } from './MarkWords.tsx';
import { FigureWords } from '../../../components/figure/Figure.tsx';

/** Most habits that are shown, the widest difference first. */
const MOST_SHOWN = 12;

const LEGEND = 'Full on done days, a ring on the others it was due. What went together, not what caused it.';

const oneDecimal = ({ mean }: MoodMean): string => mean.toFixed(1);

/** Mean mood on done days beside other asked days, of habits with enough of both; nothing while the journal has no moods. */
export function MoodCard({ tracks, kind, span }: DaysProps & { tracks: readonly Track[] }) {
  const { colors } = useTheme();
  const journal = useAppSelector((state) => state.records.journal);
  const areas = useAppSelector((state) => state.records.areas);
  const choice = useMarks(`mood ${kind} ${span.first} ${span.last}`);
  const moods = useMemo(() => moodByDay(Object.values(journal)), [journal]);
  const rows = useMemo(
    () =>
      tracks
        .flatMap((track) => {
          const mood = moodBeside(track, span, moods);
          const { id, name, areaId } = track.habit;
          return mood === null ? [] : [{ id, name, color: dyeColor(colors, areas[areaId ?? '']?.color), mood }];
        })
        .sort(({ mood: a }, { mood: b }) => b.done.mean - b.other.mean - (a.done.mean - a.other.mean)),
    [tracks, span, moods, areas, colors],
  );
  const isHidden = useAppSelector((state) => selectIsHidden(state, 'mood') || selectIsHidden(state, 'journal'));
  if (moods.size === 0 || isHidden) return null;
  const shown = rows.slice(0, MOST_SHOWN);
  const at = choice.at === null ? undefined : shown[choice.at];
  return (
    <ChartCard
      title="Mood beside habits"
      aside="mean of 1 to 5"
      legend={[LEGEND]}
      figures={() => ({
        columns: [
          { name: 'Habit', is: 'words' },
          { name: 'Done days', is: 'number' },
          { name: 'Mood', is: 'number' },
          { name: 'Other days', is: 'number' },
          { name: 'Mood then', is: 'number' },
        ],
        rows: rows.map(({ name, mood: { done, other } }) => [
          name,
          done.days,
          Number(oneDecimal(done)),
          other.days,
          Number(oneDecimal(other)),
        ]),
      })}
    >
      {shown.length === 0 ? (
        <Words type="quiet" tone="quiet">
          Needs five days with a mood on which a habit was done, and five on which it was not.
        </Words>
      ) : (
        <>
          <MoodPicture
            rows={shown}
            label={`Mean mood on done days and on others: ${shown.map(({ name, mood: { done, other } }) => `${name} ${oneDecimal(done)} and ${oneDecimal(other)}`).join(', ')}. Arrow keys go from habit to habit.`}
            choice={choice}
          />
          {at === undefined ? (
            <MarkWords choice={choice} words={null} idle={LEGEND} days={null} />
          ) : (
            <View role="status" aria-live="polite">
              <Words type="label">{at.name}</Words>
              <FigureWords
                asked={{ figure: 'habitMood', habitId: at.id, span, side: 'done' }}
                words={`${oneDecimal(at.mood.done)} on ${counted(at.mood.done.days, 'done day')}`}
                label={`${at.name}: ${oneDecimal(at.mood.done)} on ${counted(at.mood.done.days, 'done day')}`}
              />
              <FigureWords
                asked={{ figure: 'habitMood', habitId: at.id, span, side: 'other' }}
                words={`${oneDecimal(at.mood.other)} on ${counted(at.mood.other.days, 'other day')}`}
                label={`${at.name}: ${oneDecimal(at.mood.other)} on ${counted(at.mood.other.days, 'other day')}`}
              />
            </View>
          )}
        </>
      )}
    </ChartCard>
  );
}
