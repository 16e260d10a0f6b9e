import { type PlainDay } from '@wimbel/core';
import { useMemo } from 'react';
import { VirtualList } from '../../../components/page/VirtualList.tsx';
import { type PageRow, placeOfDay } from './pageRows.ts';
import { useShownBy, PageLine } from './PageLine.tsx';

/** How tall lines are before they are laid out, in pixels. */
const ROUGHLY: Record<PageRow['kind'], number> = { month: 56, day: 78, none: 24 };

export const SCROLL = { flex: 1, minHeight: 0, overflowY: 'auto', overflowX: 'hidden' } as const;

export function PagesList({
  rows,
  scroll,
  wanted,
  onThere,
}: {
  rows: readonly PageRow[];
  scroll: React.RefObject<HTMLDivElement | null>;
  wanted: PlainDay | null;
  onThere: () => void;
}) {
  const shown = useShownBy();
  const at = useMemo(() => {
    if (wanted === null) return null;
    const place = placeOfDay(rows, wanted);
    return place < 0 ? rows.length - 1 : place;
  }, [rows, wanted]);
  return (
    <VirtualList
      rows={rows}
      keyOf={({ key }) => key}
      roughPx={({ kind }) => ROUGHLY[kind]}
      scroll={scroll}
      wanted={at}
      onThere={onThere}
    >
      {(row) => <PageLine row={row} shown={shown} />}
    </VirtualList>
  );
}
