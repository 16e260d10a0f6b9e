import { formatDay } from '@wimbel/core';
import Papa from 'papaparse';
import type { Figures } from '../../../charts/FiguresTable.tsx';

/** Figures as CSV with their columns' names above; shares as ratios, days as YYYY-MM-DD, what there is none of empty. */
export const figuresCsv = ({ columns, rows }: Figures): string =>
  Papa.unparse(
    {
      fields: columns.map(({ name }) => name),
      data: rows.map((row) =>
        row.map((value, place) =>
          columns[place]!.is === 'day' && typeof value === 'number' ? formatDay(value) : (value ?? ''),
        ),
      ),
    },
    { newline: '\n' },
  );
