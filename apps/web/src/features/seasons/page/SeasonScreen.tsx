import { type FiguredSeason, offeredSeasonReviews } from '@wimbel/core';
import { useRouter } from 'expo-router';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import Ellipsis from 'lucide-react-native/icons/ellipsis';
import NotebookPen from 'lucide-react-native/icons/notebook-pen';
import Pencil from 'lucide-react-native/icons/pencil';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { SeasonPicture } from '../../../charts/SeasonPicture.tsx';
import { Figure } from '../../../components/figure/Figure.tsx';
import { LongText } from '../../../components/journal/LongText.tsx';
import { percent } from '../../../text/format.ts';
import { PATHS, seasonEditPath, seasonPath, seasonWeekPath } from '../../../platform/paths.ts';
import { selectFiguredSeason } from '../../../store/seasonSelectors.ts';
import { selectReviews, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed, useIsWide, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { Page } from '../../../ui/Frame.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { NotHere } from '../../../ui/NotHere.tsx';
import { Words } from '../../../ui/Words.tsx';
import { SeasonWhen } from '../SeasonWhen.tsx';
import { onTrackWords, seasonPartWords } from '../../../text/seasonText.ts';
import { CarriersCard } from './CarriersCard.tsx';
import { SeasonGoals } from './SeasonGoals.tsx';
import { SeasonMenu } from './SeasonMenu.tsx';
import { SeasonNotes } from './SeasonNotes.tsx';
import { ThisWeek } from './ThisWeek.tsx';
import { WeeksList } from './WeeksList.tsx';
import { WholeSeason } from './WholeSeason.tsx';

/** A season: what it is for, its weeks, what this week asks, its goals, its looks back and notes. */
export function SeasonScreen({ seasonId, open }: { seasonId: string; open?: string }) {
  const figured = useAppSelector((state) => selectFiguredSeason(state, seasonId));
  if (figured === null) return <NotHere what="season" />;
  return <SeasonPage key={seasonId} figured={figured} open={open} />;
}

function SeasonPage({ figured, open }: { figured: FiguredSeason; open: string | undefined }) {
  const styles = useStyles();
  const isWide = useIsWide();
  const router = useRouter();
  const { season, standing } = figured;
  const opened = open === undefined || open === 'all' ? null : Number(open) - 1;
  const openWeek = (week: number | null): void =>
    router.replace(week === null ? seasonPath(season.id) : seasonWeekPath(season.id, week));
  const weeks = (
    <>
      <WeeksCard figured={figured} onWeek={(week) => openWeek(week)} />
      <LookBackKey figured={figured} onWeek={openWeek} />
    </>
  );
  const list = <WeeksList figured={figured} opened={opened} onOpen={openWeek} />;
  const goals = <SeasonGoals figured={figured} />;
  const carriers = <CarriersCard figured={figured} />;
  const notes = <SeasonNotes season={season} />;
  const now =
    standing.phase === 'over' ? (
      <WholeSeason figured={figured} isAsked={open === 'all'} />
    ) : (
      <ThisWeek figured={figured} />
    );
  return (
    <Page>
      <Head figured={figured} />
      <Vision figured={figured} />
      {isWide ? (
        <View style={styles.columns}>
          <View style={styles.column}>
            {weeks}
            {now}
            {list}
          </View>
          <View style={styles.column}>
            {goals}
            {carriers}
            {notes}
          </View>
        </View>
      ) : (
        <>
          {weeks}
          {now}
          {goals}
          {list}
          {carriers}
          {notes}
        </>
      )}
    </Page>
  );
}

function Head({ figured }: { figured: FiguredSeason }) {
  const styles = useStyles();
  const router = useRouter();
  const [isOpen, setIsOpen] = useState(false);
  const { season } = figured;
  return (
    <View>
      <View style={styles.bar}>
        <IconButton
          icon={ArrowLeft}
          label="Back"
          onPress={() => (router.canGoBack() ? router.back() : router.replace(PATHS.seasons))}
        />
        <View style={styles.grow} />
        <IconButton
          icon={Pencil}
          name="Edit"
          label="Edit season"
          onPress={() => router.push(seasonEditPath(season.id))}
        />
        <IconButton icon={Ellipsis} name="More" label="More about this season" onPress={() => setIsOpen(true)} />
      </View>
      <View style={styles.titles}>
        <Words type="title" heading={1}>
          {season.title}
        </Words>
        <SeasonWhen figured={figured} />
      </View>
      {isOpen ? <SeasonMenu figured={figured} onClose={() => setIsOpen(false)} /> : null}
    </View>
  );
}

/** What the season is for, above everything it counts. */
function Vision({ figured: { season } }: { figured: FiguredSeason }) {
  const styles = useStyles();
  const router = useRouter();
  if (!season.vision && !season.why) {
    return (
      <Button kind="bare" onPress={() => router.push(seasonEditPath(season.id))} style={styles.add}>
        Write down what it is for
      </Button>
    );
  }
  return (
    <View style={styles.vision}>
      <LongText of="Vision" collection="seasons" record={season} field="vision" type="name" />
      <LongText of="Why" collection="seasons" record={season} field="why" tone="quiet" />
    </View>
  );
}

function WeeksCard({ figured, onWeek }: { figured: FiguredSeason; onWeek: (week: number) => void }) {
  const styles = useStyles();
  const { season, figures, passMark, today } = figured;
  const told = `${onTrackWords(figured)}, pass mark ${percent(passMark)}`;
  return (
    <Card style={styles.card} label="Its weeks">
      <View style={styles.score}>
        {figures.score === null ? null : (
          <Figure asked={{ figure: 'seasonScore', seasonId: season.id }} label={`${percent(figures.score)}, ${told}`}>
            <Words type="display">{percent(figures.score)}</Words>
          </Figure>
        )}
        <Words type="quiet" tone="quiet" style={styles.told}>
          {told}
        </Words>
      </View>
      <SeasonPicture season={season} figures={figures} passMark={passMark} today={today} onWeek={onWeek} />
    </Card>
  );
}

/** The way to the look back that can be written now. */
function LookBackKey({ figured, onWeek }: { figured: FiguredSeason; onWeek: (week: number) => void }) {
  const { colors } = useTheme();
  const today = useAppSelector(selectToday);
  const reviews = useAppSelector(selectReviews);
  const { season } = figured;
  const [offered] = useMemo(() => offeredSeasonReviews(reviews, [season], today), [reviews, season, today]);
  if (offered === undefined || offered.week === null) return null;
  const { week } = offered;
  return (
    <Button
      kind="main"
      icon={<NotebookPen size={18} color={colors.onWorking} />}
      onPress={() => onWeek(week)}
      style={{ alignSelf: 'center' }}
    >
      {`Look back on ${seasonPartWords(week)}`}
    </Button>
  );
}

const useStyles = themed((colors) => ({
  bar: { flexDirection: 'row', alignItems: 'center', marginHorizontal: -SPACE.m, marginVertical: -SPACE.s },
  grow: { flex: 1 },
  titles: { gap: SPACE.xs, paddingTop: SPACE.s },
  vision: { gap: SPACE.xs, borderLeftWidth: 3, borderLeftColor: colors.brass, paddingLeft: SPACE.m, maxWidth: 760 },
  add: { alignSelf: 'flex-start', marginLeft: -SPACE.s },
  columns: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  column: { flex: 1, minWidth: 0, gap: SPACE.l },
  card: { gap: SPACE.m },
  score: { flexDirection: 'row', alignItems: 'baseline', columnGap: SPACE.m },
  told: { flex: 1, minWidth: 0, textAlign: 'right' },
}));
