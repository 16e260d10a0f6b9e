import { useRouter } from 'expo-router';
import { createElement, useRef, useState } from 'react';
import { View } from 'react-native';
import { deviceNow } from '../../../platform/clock.ts';
import { percent } from '../../../text/format.ts';
import { PATHS } from '../../../platform/paths.ts';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { Words } from '../../../ui/Words.tsx';
import type { OpenedFile } from '../import/fileReader.ts';
import { readingFault } from '../import/importText.ts';
import { useFileReader } from '../import/useFileReader.ts';
import { useExportName } from '../../../components/account/useExportName.ts';
import { useExport } from '../export/useExport.ts';
import { Room } from './Room.tsx';
import { FaultsSheet } from './FaultsSheet.tsx';
import { BringInSheet } from './BringInSheet.tsx';

type Read = { name: string; file: OpenedFile | null };

const row = { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s } as const;

/** Everything recorded as one file, out and in; and what was kept elsewhere. */
export function DataCard() {
  const nameOf = useExportName();
  const router = useRouter();
  const picker = useRef<HTMLInputElement | null>(null);
  const { share, take, stop } = useExport(() => undefined);
  const reader = useFileReader();
  const toast = useToast();
  const [read, setRead] = useState<Read | null>(null);
  const save = (): void =>
    void take(
      { kind: 'everything', stamp: deviceNow().toISOString() },
      nameOf('json', 'everything'),
      'application/json',
      ['record', 'records'],
    );
  const open = async (file: File | undefined): Promise<void> => {
    if (file === undefined) return;
    setRead({ name: file.name, file: null });
    try {
      const opened = await reader.open(await file.arrayBuffer());
      setRead({ name: file.name, file: opened });
    } catch (error) {
      setRead(null);
      toast({ text: `${file.name} can’t be read. ${readingFault(error)}` });
    }
  };
  return (
    <SectionCard title="Your data">
      <Words tone="quiet">
        Everything you recorded as one file that other programs can read: to keep a copy, or to take it elsewhere. What
        you kept in a spreadsheet or a list of your own can come in too.
      </Words>
      <View style={row}>
        <Button onPress={save} isBusy={share !== null}>
          {share === null ? 'Download my data' : `Gathering, ${percent(share)}`}
        </Button>
        {share === null ? null : (
          <Button kind="bare" onPress={stop}>
            Stop
          </Button>
        )}
        <Button onPress={() => picker.current?.click()}>Bring data in</Button>
        <Button onPress={() => router.push(PATHS.bringIn)}>Bring in a table</Button>
      </View>
      <Room />
      {createElement('input', {
        ref: picker,
        type: 'file',
        accept: '.json,application/json',
        'aria-label': 'A Wimbel data file',
        hidden: true,
        onChange: (event: { target: HTMLInputElement }) => {
          void open(event.target.files?.[0]);
          event.target.value = '';
        },
      })}
      {read === null ? null : read.file === null ? (
        <Sheet title={`Reading ${read.name}`} onClose={() => setRead(null)}>
          <Words tone="quiet">All of it is checked before anything is kept.</Words>
        </Sheet>
      ) : read.file.issues !== null ? (
        <FaultsSheet name={read.name} file={read.file} onClose={() => setRead(null)} />
      ) : (
        <BringInSheet name={read.name} kinds={read.file.kinds} reader={reader} onClose={() => setRead(null)} />
      )}
    </SectionCard>
  );
}
