import { useRouter } from 'expo-router';
import { createElement, useRef, useState } from 'react';
import { View } from 'react-native';
import { PATHS } from '../../../platform/paths.ts';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Field } from '../../../ui/Field.tsx';
import { Page } from '../../../ui/Frame.tsx';
import { PageHead } from '../../../ui/PageHead.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { Words } from '../../../ui/Words.tsx';
import { FAULT_WORDS, readingFault } from './importText.ts';
import { ReadScreen } from './ReadScreen.tsx';
import type { GridSize, Source } from './reader.ts';
import { useReader } from './useReader.ts';

type State =
  | { kind: 'start'; fault: string | null }
  | { kind: 'opening'; name: string }
  | { kind: 'read'; name: string; grids: GridSize[] };

const row = { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s } as const;

/** Records that somebody kept in a table of their own: chosen or pasted, looked over, then brought in as one step. */
export function BringInScreen() {
  const router = useRouter();
  const reader = useReader();
  const [state, setState] = useState<State>({ kind: 'start', fault: null });
  const [text, setText] = useState('');
  const asked = useRef(0);
  const open = async (source: Source, name: string): Promise<void> => {
    const turn = ++asked.current;
    const isStale = (): boolean => turn !== asked.current;
    setState({ kind: 'opening', name });
    try {
      const opened = await reader.ask(async (each) => each.open(source));
      if (isStale()) return;
      if (opened.fault === null) setState({ kind: 'read', name, grids: opened.grids });
      else setState({ kind: 'start', fault: `${name} can’t be read. ${FAULT_WORDS[opened.fault]}` });
    } catch (error) {
      if (!isStale()) setState({ kind: 'start', fault: `${name} can’t be read. ${readingFault(error)}` });
    }
  };
  const again = (): void => {
    asked.current++;
    reader.stop();
    setState({ kind: 'start', fault: null });
  };
  if (state.kind === 'read') {
    return (
      <ReadScreen
        name={state.name}
        grids={state.grids}
        reader={reader}
        onAgain={again}
        onDone={(path) => router.replace(path)}
      />
    );
  }
  return (
    <Page>
      <PageHead title="Bring in a table" backTo={PATHS.account} />
      <SectionCard title="From a file or the clipboard">
        <Words tone="quiet">
          Days across or down, one month or many, or a line for each day: whatever you kept. You see how it is read
          before anything is kept.
        </Words>
        {state.kind === 'opening' ? (
          <View style={row}>
            <Button kind="main" isBusy onPress={() => undefined}>{`Reading ${state.name}`}</Button>
            <Button kind="bare" onPress={again}>
              Stop
            </Button>
          </View>
        ) : (
          <>
            <FileButton
              onFile={(file) =>
                void file
                  .arrayBuffer()
                  .then((bytes) => open({ bytes: new Uint8Array(bytes), name: file.name }, file.name))
              }
            />
            {state.fault === null ? null : (
              <View role="alert">
                <Words tone="madder">{state.fault}</Words>
              </View>
            )}
            <Field
              label="Or paste cells here"
              multiline
              value={text}
              onChangeText={setText}
              hint="Copied from a spreadsheet, or lines with commas"
            />
            <View style={row}>
              <Button isDisabled={text.trim() === ''} onPress={() => void open({ text }, 'What you pasted')}>
                Read what I pasted
              </Button>
            </View>
          </>
        )}
      </SectionCard>
    </Page>
  );
}

function FileButton({ onFile }: { onFile: (file: File) => void }) {
  const picker = useRef<HTMLInputElement | null>(null);
  return (
    <View style={row}>
      <Button kind="main" onPress={() => picker.current?.click()}>
        Choose a file
      </Button>
      {createElement('input', {
        ref: picker,
        type: 'file',
        accept: '.csv,.tsv,.txt,.xlsx,text/csv,text/plain',
        'aria-label': 'A table as a file',
        hidden: true,
        onChange: (event: { target: HTMLInputElement }) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file !== undefined) onFile(file);
        },
      })}
    </View>
  );
}
