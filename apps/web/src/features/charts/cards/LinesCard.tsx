import { useRouter } from 'expo-router';
import { Pressable, View } from 'react-native';
import { type GoalLine, GoalLinesPicture } from '../../../charts/GoalLinesPicture.tsx';
import { useMarks } from '../../../charts/useMarks.ts';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { dateNear, percent } from '../../../text/format.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Words } from '../../../ui/Words.tsx';
import { ChartCard } from './ChartCard.tsx';
import { MarkWords } from './MarkWords.tsx';
import { PlaceBadge } from '../choice/PlaceBadge.tsx';
import type { FigureQuery } from '../../../text/figureQuery.ts';
import { FigureWords } from '../../../components/figure/Figure.tsx';

export type Row = {
  id: string;
  name: string;
  share: number | null;
  words: readonly { text: string; tone: 'quiet' | 'ink' | 'working' | 'madder'; asked: FigureQuery }[];
  /** The figure of its share. */
  asked: FigureQuery;
  to?: string;
};

const LINES_LEGEND = 'Dotted is what was expected, broken where the rate leads; rings are milestones.';

/** Several ways on one axis of time, numbered, each with its share and what is said of it; a day that is pointed at says where each stood. */
export function LinesCard({
  title,
  aside,
  asideAsked,
  what,
  lines,
  rows,
}: {
  title: string;
  aside: string;
  asideAsked?: FigureQuery;
  what: string;
  lines: readonly GoalLine[];
  rows: readonly Row[];
}) {
  const styles = useStyles();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const choice = useMarks(rows.map(({ id }) => id).join(' '));
  const { at } = choice;
  const stood =
    at === null
      ? null
      : lines.flatMap(({ input }, place) => {
          const [ratio, expected] = [input.progressAt(at), input.expectedAt(at)];
          return ratio === null
            ? []
            : [`${place + 1} ${percent(ratio)}${expected === null ? '' : ` with ${percent(expected)} expected`}`];
        });
  return (
    <ChartCard
      title={title}
      aside={aside}
      asideAsked={asideAsked}
      legend={[...rows.map(({ name, share }, place) => `${place + 1} ${name}, ${percent(share)}`), LINES_LEGEND]}
      figures={() => ({
        columns: [
          { name: what, is: 'words' },
          { name: 'Share', is: 'share' },
          { name: 'Expected', is: 'share' },
          { name: 'Forecast', is: 'words' },
        ],
        rows: rows.map(({ name, share }, place) => {
          const { input } = lines[place]!;
          return [name, share, input.expectedAt(today), input.forecast === null ? '' : dateNear(input.forecast, today)];
        }),
      })}
    >
      <GoalLinesPicture
        lines={lines}
        label={`${title}: ${rows.map(({ name, share }, place) => `${place + 1}, ${name}, ${percent(share)}`).join('; ')}. Arrow keys go from day to day.`}
        choice={choice}
      />
      <MarkWords
        choice={choice}
        words={
          stood === null || at === null
            ? null
            : `${dateNear(at, today)}: ${stood.length > 0 ? stood.join('; ') : 'none had begun'}`
        }
        idle={LINES_LEGEND}
        days={at === null ? null : { first: at, last: at }}
      />
      {rows.map(({ id, name, share, words, to, asked }, place) => (
        <View
          key={id}
          role="group"
          aria-label={[name, percent(share), ...words.map(({ text }) => text)].join(', ')}
          style={styles.goal}
        >
          <PlaceBadge place={place + 1} color={lines[place]!.color} />
          <View style={styles.grow}>
            {to === undefined ? (
              <Words>{name}</Words>
            ) : (
              <Pressable role="link" onPress={() => router.push(to)} style={styles.name}>
                <Words>{name}</Words>
              </Pressable>
            )}
            <View style={styles.line}>
              {words.map(({ text, tone, asked: own }) => (
                <FigureWords key={text} asked={own} words={text} label={`${name}: ${text}`} tone={tone} />
              ))}
            </View>
          </View>
          <FigureWords
            asked={share === null ? null : asked}
            words={percent(share)}
            label={`${name}: ${percent(share)}`}
            type="strong"
          />
        </View>
      ))}
    </ChartCard>
  );
}

const useStyles = themed(() => ({
  goal: { flexDirection: 'row', gap: SPACE.m, minHeight: 44, alignItems: 'center' },
  grow: { flex: 1, minWidth: 0 },
  name: { minHeight: 24, justifyContent: 'center' },
  line: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.s },
}));
