import Papa from 'papaparse';
import type { Figures } from '../../ui/FiguresTable.tsx';

/** Figures as CSV with their columns' names above; shares as ratios, what there is none of empty. */
export const figuresCsv = ({ columns, rows }: Figures): string =>
  Papa.unparse(
    { fields: columns.map(({ name }) => name), data: rows.map((row) => row.map((value) => value ?? '')) },
    { newline: '\n' },
  );
