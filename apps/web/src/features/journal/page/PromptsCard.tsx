import {
  type AskedPrompt,
  type JournalAnswer,
  type JournalPart,
  type PlainDay,
  isAnswered,
  promptsOf,
  withAnswer,
} from '@wimbel/core';
import Plus from 'lucide-react-native/icons/plus';
import { View } from 'react-native';
import { ChecklistLines } from '../../../components/journal/ChecklistLines.tsx';
import { selectJournal, selectPrompts } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { Words } from '../../../ui/Words.tsx';
import { openLinesBefore } from './openLines.ts';
import { PageWriting } from './PageWriting.tsx';
import type { JournalDay } from '../../../components/journal/useJournalDay.ts';

const TITLES: Record<JournalPart, string> = { morning: 'Morning', day: 'Through the day', evening: 'Evening' };
const LONGEST_ANSWER = 20_000;

type Item = { text: string; done?: boolean };

/** What a part of the day asks, and what was answered. */
export function PromptsCard({
  part,
  day,
  pages,
  write,
  keepBeside,
}: { part: JournalPart; day: PlainDay } & Pick<JournalDay, 'pages' | 'write' | 'keepBeside'>) {
  const styles = useStyles();
  const prompts = useAppSelector(selectPrompts);
  const own = pages.find((page) => page.part === part);
  const asked = promptsOf(prompts, part, own?.answers ?? []);
  if (asked.length === 0) return null;
  const answered = asked.filter(({ answer }) => answer !== null && isAnswered(answer)).length;
  return (
    <View style={styles.section}>
      <View style={styles.head}>
        <Words type="label" tone="quiet" heading={2} style={styles.grow}>
          {TITLES[part]}
        </Words>
        <Words type="label" tone="quiet">
          {answered} of {asked.length}
        </Words>
      </View>
      <Card style={styles.card}>
        {asked.map((each) => (
          <PromptField key={each.prompt.id} asked={each} day={day} part={part} write={write} keepBeside={keepBeside} />
        ))}
      </Card>
    </View>
  );
}

function PromptField({
  asked: { prompt, text, answer },
  day,
  part,
  write,
  keepBeside,
}: { asked: AskedPrompt; day: PlainDay; part: JournalPart } & Pick<JournalDay, 'write' | 'keepBeside'>) {
  const styles = useStyles();
  const say = (said: Pick<JournalAnswer, 'text' | 'items'>): void =>
    write(part, (page) => withAnswer(page, prompt, said));
  if (prompt.kind === 'text') {
    return (
      <PageWriting
        label={text}
        text={answer?.text ?? ''}
        maxLength={LONGEST_ANSWER}
        onChange={(said) => say({ text: said })}
        onOther={(said) => keepBeside(part, { answers: [{ promptId: prompt.id, promptText: text, text: said }] })}
      />
    );
  }
  const items = answer?.items ?? [];
  return (
    <View style={styles.lines}>
      <Words tone="quiet">{text}</Words>
      <ChecklistLines
        label={text}
        items={items}
        size={prompt.size ?? 1}
        isTicked={prompt.kind === 'checklist'}
        onChange={(next) => say({ items: next })}
      />
      {prompt.kind === 'checklist' && items.length === 0 ? (
        <Yesterday promptId={prompt.id} day={day} onTake={(lines) => say({ items: lines })} />
      ) : null}
    </View>
  );
}

/** Lines that were left open the day before, offered once and never carried over by themselves. */
function Yesterday({ promptId, day, onTake }: { promptId: string; day: PlainDay; onTake: (items: Item[]) => void }) {
  const { colors } = useTheme();
  const open = openLinesBefore(useAppSelector(selectJournal), promptId, day);
  if (open.length === 0) return null;
  return (
    <Button
      kind="bare"
      icon={<Plus size={18} color={colors.working} />}
      onPress={() => onTake(open.map((line) => ({ text: line })))}
      style={{ alignSelf: 'flex-start' }}
    >
      {`Take over from the day before: ${open.join(', ')}`}
    </Button>
  );
}

const useStyles = themed(() => ({
  section: { gap: SPACE.s },
  head: { flexDirection: 'row', paddingHorizontal: SPACE.xs },
  grow: { flex: 1 },
  card: { gap: SPACE.l },
  lines: { gap: SPACE.xs },
}));
