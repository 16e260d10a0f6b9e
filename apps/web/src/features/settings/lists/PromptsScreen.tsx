import type { JournalPart, Prompt } from '@wimbel/core';
import Plus from 'lucide-react-native/icons/plus';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { counted } from '../../../text/format.ts';
import { PATHS } from '../../../platform/paths.ts';
import { changeTo, newId, removalOf } from '../../../store/makeChange.ts';
import { selectJournal, selectPrompts } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { useRecording } from '../../../sync/recording.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { EmptyState } from '../../../ui/EmptyState.tsx';
import { Field, Labelled } from '../../../ui/Field.tsx';
import { Page } from '../../../ui/Frame.tsx';
import { PageHead } from '../../../ui/PageHead.tsx';
import { Segments } from '../../../ui/Segments.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { Words } from '../../../ui/Words.tsx';

const PARTS: { value: JournalPart; label: string }[] = [
  { value: 'morning', label: 'Morning' },
  { value: 'day', label: 'Any time' },
  { value: 'evening', label: 'Evening' },
];
const KINDS: { value: Prompt['kind']; label: string; hint: string }[] = [
  { value: 'text', label: 'Text', hint: 'Answered in words.' },
  { value: 'list', label: 'List', hint: 'Answered in a few lines, such as three good things.' },
  { value: 'checklist', label: 'To tick off', hint: 'Lines that stand on Today until they are ticked off.' },
];
const MOST_LINES = 20;

const partWords = (part: JournalPart): string => PARTS.find(({ value }) => value === part)!.label.toLowerCase();

function kindWords({ kind, size = 1 }: Prompt): string {
  if (kind === 'text') return 'text';
  return kind === 'list' ? counted(size, 'line') : 'to tick off';
}

/** The prompts that the journal asks, in order; those no longer asked stay where they were answered. */
export function PromptsScreen() {
  const styles = useStyles();
  const { colors } = useTheme();
  const prompts = useAppSelector(selectPrompts);
  const [edited, setEdited] = useState<Prompt | 'new' | null>(null);
  return (
    <Page>
      <PageHead title="Prompts of the journal" backTo={PATHS.settings}>
        <Button icon={<Plus size={18} color={colors.ink} />} onPress={() => setEdited('new')}>
          Add a prompt
        </Button>
      </PageHead>
      {prompts.length === 0 ? (
        <EmptyState
          title="No prompts yet"
          text="A prompt is a question that each day’s page asks you: in the morning, in the evening, or at any time."
        />
      ) : (
        <Card isFlush style={styles.list} label="Prompts">
          {prompts.map((prompt, place) => (
            <Pressable
              key={prompt.id}
              role="button"
              aria-label={`Edit: ${prompt.text}`}
              onPress={() => setEdited(prompt)}
              style={[styles.prompt, place > 0 && styles.parted]}
            >
              <Words tone={prompt.active ? 'ink' : 'quiet'}>{prompt.text}</Words>
              <Words type="quiet" tone="quiet">
                {[partWords(prompt.part), kindWords(prompt), prompt.active ? '' : 'no longer asked']
                  .filter(Boolean)
                  .join(', ')}
              </Words>
            </Pressable>
          ))}
        </Card>
      )}
      {edited === null ? null : (
        <PromptSheet prompt={edited === 'new' ? null : edited} onClose={() => setEdited(null)} />
      )}
    </Page>
  );
}

function PromptSheet({ prompt, onClose }: { prompt: Prompt | null; onClose: () => void }) {
  const styles = useStyles();
  const { change } = useRecording();
  const toast = useToast();
  const prompts = useAppSelector(selectPrompts);
  const isAnswered = useAppSelector(selectJournal).some(({ answers = [] }) =>
    answers.some(({ promptId }) => promptId === prompt?.id),
  );
  const [text, setText] = useState(prompt?.text ?? '');
  const [part, setPart] = useState<JournalPart>(prompt?.part ?? 'evening');
  const [kind, setKind] = useState<Prompt['kind']>(prompt?.kind ?? 'text');
  const [size, setSize] = useState(String(prompt?.size ?? 3));
  const [fault, setFault] = useState<{ text?: string; size?: string }>({});
  const put = (next: Prompt, words: string): void => {
    toast({ text: words, onUndo: change(changeTo('prompts', next)) });
    onClose();
  };
  const save = (): void => {
    const lines = Number(size);
    const isWhole = Number.isInteger(lines) && lines >= 1 && lines <= MOST_LINES;
    if (text.trim() === '') return setFault({ text: 'Write what is asked' });
    if (kind === 'list' && !isWhole) return setFault({ size: `Write a whole number from 1 to ${MOST_LINES}` });
    const order = (prompts.at(-1)?.order ?? -1) + 1;
    const { size: _, ...rest } = prompt ?? { id: newId(), active: true, order };
    const next: Prompt = { ...rest, text: text.trim(), part, kind, ...(kind === 'list' ? { size: lines } : {}) };
    put(next, prompt ? 'The prompt is changed; past pages keep its old words' : 'The prompt is added');
  };
  const remove = (): void => {
    toast({ text: 'The prompt is deleted', onUndo: change(removalOf('prompts', prompt!.id)) });
    onClose();
  };
  return (
    <Sheet title={prompt ? 'Prompt' : 'A new prompt'} onClose={onClose}>
      <Field
        label="What it asks"
        value={text}
        onChangeText={setText}
        error={fault.text}
        maxLength={300}
        placeholder="What went well today?"
        autoFocus={prompt === null}
        onSubmitEditing={save}
      />
      <Labelled label="When">
        <Segments label="When" value={part} choices={PARTS} onChange={setPart} isWrapping />
      </Labelled>
      <Labelled label="How it is answered" hint={KINDS.find(({ value }) => value === kind)!.hint}>
        <Segments label="How it is answered" value={kind} choices={KINDS} onChange={setKind} isWrapping />
      </Labelled>
      {kind === 'list' ? (
        <Field label="How many lines" value={size} onChangeText={setSize} error={fault.size} inputMode="numeric" />
      ) : null}
      <View style={styles.buttons}>
        <Button kind="main" onPress={save}>
          {prompt ? 'Save' : 'Add prompt'}
        </Button>
        <Button kind="bare" onPress={onClose}>
          Cancel
        </Button>
        {prompt ? (
          <Button
            onPress={() =>
              put(
                { ...prompt, active: !prompt.active },
                prompt.active ? 'It is no longer asked; answers stay' : 'It is asked again',
              )
            }
          >
            {prompt.active ? 'Stop asking' : 'Ask again'}
          </Button>
        ) : null}
        {prompt && !isAnswered ? <Button onPress={remove}>Delete</Button> : null}
      </View>
    </Sheet>
  );
}

const useStyles = themed((colors) => ({
  list: { maxWidth: 720 },
  prompt: { padding: SPACE.l, gap: 2, minHeight: 52 },
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
}));
