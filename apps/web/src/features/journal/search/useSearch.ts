import { useEffect, useState } from 'react';
import { useStore } from 'react-redux';
import type { RootState } from '../../../store/store.ts';
import type { FoundAll, Search } from './searcher.ts';
import { searchInWorker } from './searchWorker.ts';

/** Whether anything is looked for. */
export const asksAnything = ({ words, ...narrowed }: Search): boolean =>
  words.trim() !== '' || Object.values(narrowed).some((each) => each !== null);

/** Search results; the previous ones stay until the next arrive. `isFailed` where this browser cannot search. */
export function useSearch(search: Search, most: number): { all: FoundAll | null; isFailed: boolean } {
  const store = useStore<RootState>();
  const [all, setAll] = useState<FoundAll | null>(null);
  const [isFailed, setIsFailed] = useState(false);
  const asked = JSON.stringify(search);
  useEffect(() => {
    const wanted = JSON.parse(asked) as Search;
    if (!asksAnything(wanted)) return;
    let isWanted = true;
    searchInWorker(store.getState().records, wanted, most).then(
      (found) => {
        if (!isWanted) return;
        setIsFailed(false);
        setAll(found);
      },
      () => isWanted && setIsFailed(true),
    );
    return () => {
      isWanted = false;
    };
  }, [asked, most, store]);
  return { all: asksAnything(search) ? all : null, isFailed };
}
