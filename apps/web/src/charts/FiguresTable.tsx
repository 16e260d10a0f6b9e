import { View } from 'react-native';
import { number } from '../text/amounts.ts';
import { fullDate, percent } from '../text/format.ts';
import { themed } from '../theme/Theme.tsx';
import { SPACE } from '../theme/space.ts';
import { Words } from '../ui/Words.tsx';

/** Figures in rows and columns: shares are ratios, days are days since 1970-01-01, null is none. */
export type Figures = {
  columns: readonly { name: string; is: 'words' | 'day' | 'number' | 'share' }[];
  rows: readonly (readonly (string | number | null)[])[];
};

/** From so many rows on the table scrolls within itself. */
const MANY_ROWS = 14;

const isName = (is: Figures['columns'][number]['is']): boolean => is === 'words' || is === 'day';

const written = (value: string | number | null, is: Figures['columns'][number]['is']): string => {
  if (typeof value === 'string') return value;
  if (is === 'share') return percent(value);
  if (value === null) return '–';
  return is === 'day' ? fullDate(value) : number(value);
};

/** Figures as a table that can be read row by row. */
export function FiguresTable({ label, figures: { columns, rows } }: { label: string; figures: Figures }) {
  const styles = useStyles();
  const isLong = rows.length > MANY_ROWS;
  // What scrolls must be within reach of the keyboard.
  const scrolls = isLong ? { tabIndex: 0 as const } : {};
  return (
    <View {...scrolls} style={isLong ? styles.long : null}>
      <View role="table" aria-label={label}>
        <View role="row" style={[styles.row, styles.head]}>
          {columns.map(({ name, is }) => (
            <View key={name} role="columnheader" style={isName(is) ? styles.name : styles.cell}>
              <Words type="label" tone="quiet" style={isName(is) ? null : styles.right}>
                {name}
              </Words>
            </View>
          ))}
        </View>
        {rows.map((row, index) => (
          <View key={index} role="row" style={styles.row}>
            {columns.map(({ name, is }, place) => (
              <View key={name} role="cell" style={isName(is) ? styles.name : styles.cell}>
                <Words type="quiet" style={isName(is) ? null : styles.right}>
                  {written(row[place] ?? null, is)}
                </Words>
              </View>
            ))}
          </View>
        ))}
      </View>
    </View>
  );
}

const useStyles = themed((colors) => ({
  long: { maxHeight: 360, overflowY: 'auto' },
  row: { flexDirection: 'row', gap: SPACE.s, paddingVertical: 5, borderTopWidth: 1, borderColor: colors.line },
  head: { borderTopWidth: 0 },
  name: { flex: 2, minWidth: 0 },
  cell: { flex: 1, minWidth: 0 },
  right: { textAlign: 'right' },
}));
