import { useEffect, useRef, useState } from 'react';
import { useStore } from 'react-redux';
import { download } from '../../../platform/download.ts';
import { counted } from '../../../text/format.ts';
import { type RootState } from '../../../store/store.ts';
import { useToast } from '../../../ui/Toast.tsx';
import { exportFile } from './exportFile.ts';
import type { ExportOptions } from './exporter.ts';

/** Exports and downloads a file, with progress and a way to cancel; one at a time. */
export function useExport(onDone: () => void) {
  const store = useStore<RootState>();
  const toast = useToast();
  const [share, setShare] = useState<number | null>(null);
  const stopping = useRef<AbortController | null>(null);
  useEffect(() => () => stopping.current?.abort(), []);
  const take = async (
    options: ExportOptions,
    name: string,
    type: string,
    what: [one: string, many: string],
  ): Promise<void> => {
    const control = new AbortController();
    stopping.current = control;
    setShare(0);
    try {
      const { file, count } = await exportFile(store.getState().records, options, type, {
        onShare: setShare,
        signal: control.signal,
      });
      download(name, file);
      toast({ text: `${counted(count, ...what)} in ${name}` });
      onDone();
    } catch {
      if (!control.signal.aborted) toast({ text: 'The file could not be made. Nothing was changed; try again.' });
    } finally {
      if (stopping.current === control) setShare(null);
    }
  };
  const stop = (): void => {
    stopping.current?.abort();
    setShare(null);
  };
  return { share, take, stop };
}
