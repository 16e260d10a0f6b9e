import { type JournalPage, type PlainDay, pagesOfDay } from '@wimbel/core';
import { View } from 'react-native';
import { changeTo } from '../../store/makeChange.ts';
import { selectIsHidden, selectJournal, selectPrompts } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { useRecording } from '../../sync/recording.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Card } from '../../ui/Card.tsx';
import { Peg } from '../../ui/Peg.tsx';
import { useToast } from '../../ui/Toast.tsx';
import { Words } from '../../ui/Words.tsx';

type OpenLine = { page: JournalPage; promptId: string; at: number; text: string };

/** Lines of the day's checklists that are not ticked off yet, to be ticked off below the habits. */
export function OpenLines({ day }: { day: PlainDay }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const { change } = useRecording();
  const toast = useToast();
  const isHidden = useAppSelector((state) => selectIsHidden(state, 'journal'));
  const journal = useAppSelector(selectJournal);
  const checklists = new Set(
    useAppSelector(selectPrompts).flatMap(({ id, kind }) => (kind === 'checklist' ? [id] : [])),
  );
  const lines = pagesOfDay(journal, day).flatMap((page) => openLinesOf(page, checklists));
  if (isHidden || lines.length === 0) return null;
  const tick = ({ page, promptId, at, text }: OpenLine): void => {
    const answers = page.answers!.map((answer) =>
      answer.promptId === promptId
        ? { ...answer, items: answer.items!.map((item, place) => (place === at ? { ...item, done: true } : item)) }
        : answer,
    );
    toast({ text: `${text}: done`, onUndo: change(changeTo('journal', { ...page, answers })) });
  };
  return (
    <View style={styles.section}>
      <Words type="label" tone="quiet" heading={3} style={styles.title}>
        From the journal
      </Words>
      <Card isFlush>
        {lines.map((line, place) => (
          <View key={`${line.page.id} ${line.promptId} ${line.at}`} style={[styles.line, place > 0 && styles.parted]}>
            <Peg
              state="blank"
              sizePx={28}
              color={colors.working}
              label={`${line.text}: done`}
              isChecked={false}
              onPress={() => tick(line)}
            />
            <Words style={styles.words}>{line.text}</Words>
          </View>
        ))}
      </Card>
    </View>
  );
}

/** The lines of a page's checklists that say something and are not done. */
function openLinesOf(page: JournalPage, checklists: ReadonlySet<string>): OpenLine[] {
  return (page.answers ?? []).flatMap(({ promptId, items = [] }) =>
    checklists.has(promptId)
      ? items.flatMap(({ text, done }, at) => (done || text.trim() === '' ? [] : [{ page, promptId, at, text }]))
      : [],
  );
}

const useStyles = themed((colors) => ({
  section: { gap: SPACE.s },
  title: { paddingHorizontal: SPACE.xs },
  line: { flexDirection: 'row', alignItems: 'center', paddingLeft: SPACE.s, minHeight: 52 },
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
  words: { flex: 1, paddingRight: SPACE.m, minWidth: 0 },
}));
