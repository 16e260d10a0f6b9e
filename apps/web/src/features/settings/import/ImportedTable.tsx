import { type PegState, dayOf } from '@wimbel/core';
import { type GridChoices, lineKey } from '@wimbel/exchange';
import { startTransition, useEffect, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { shortDate } from '../../../text/format.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { CORNER, SPACE } from '../../../theme/space.ts';
import { TYPE } from '../../../theme/type.ts';
import { Button } from '../../../ui/Button.tsx';
import { Chips } from '../../../ui/Chips.tsx';
import { PegPicture } from '../../../ui/Peg.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { Words } from '../../../ui/Words.tsx';
import { type Line, LineSheet } from './LineSheet.tsx';
import type { CellRole, GridSize, LineRole, ShownCell, ShownPart, Understood } from './reader.ts';
import type { useReader } from './useReader.ts';

type Props = {
  grids: GridSize[];
  reader: ReturnType<typeof useReader>;
  understood: Understood;
  choices: GridChoices;
  onChoose: (more: Partial<GridChoices>) => void;
};

/** Lines on the page; the rest opens with a tap. */
const ROWS = 40;
const COLUMNS = 34;

const PEGS: Partial<Record<CellRole, PegState>> = {
  done: 'done',
  amount: 'done',
  missed: 'missed',
  rest: 'rest',
  no: 'blank',
};

const PEG_WORDS: Partial<Record<CellRole, string>> = {
  done: 'done',
  amount: 'an amount',
  missed: 'missed',
  rest: 'rest',
  no: 'no',
};

const lineLabel = ({ role, label }: LineRole): string => {
  if (role === 'day') return label === '' ? 'Day' : /^\d/.test(label) ? shortDate(dayOf(label)) : label;
  return { days: 'Days', names: 'Names', name: 'Habit', out: 'Left out', none: '·' }[role];
};

/** What was kept, cell by cell as it is, with what each cell was read as under it; the reading of a line is changed at its head. */
export function KeptTable({ grids, reader, understood, choices, onChoose }: Props) {
  const styles = useStyles();
  const [grid, setGrid] = useState(() => understood.blocks[0]?.grid ?? 0);
  const [[row, column], setFrom] = useState([0, 0]);
  const [part, setPart] = useState<ShownPart | null>(null);
  const [line, setLine] = useState<Line | null>(null);
  const { rows, columns } = grids[grid]!;
  const { ask } = reader;
  useEffect(() => {
    let isOver = false;
    ask((each) =>
      each.part({
        grid,
        fromRow: row,
        toRow: Math.min(rows, row + ROWS),
        fromColumn: column,
        toColumn: Math.min(columns, column + COLUMNS),
      }),
    )
      .then((next) => {
        if (!isOver) startTransition(() => setPart(next));
      })
      .catch(() => undefined);
    return () => {
      isOver = true;
    };
  }, [ask, grid, row, column, rows, columns, understood]);
  const block = understood.blocks.find((each) => each.grid === grid);
  return (
    <SectionCard title="As you kept it">
      {grids.length > 1 ? (
        <Chips
          label="Part of the file"
          chips={grids.map(({ name }, at) => ({ value: String(at), label: name }))}
          chosen={[String(grid)]}
          onPress={(value) => {
            setGrid(Number(value));
            setFrom([0, 0]);
          }}
        />
      ) : null}
      <Words type="quiet" tone="quiet">
        Under each cell is what it was read as. Tap the head of a line to change how it is read.
      </Words>
      <ScrollView horizontal style={styles.frame}>
        {part === null ? null : (
          <CellTable
            part={part}
            fromRow={row}
            fromColumn={column}
            onLine={(axis, at, role) => setLine({ grid, axis, at, role })}
          />
        )}
      </ScrollView>
      <Pager what={['Rows', 'rows']} from={row} size={ROWS} count={rows} onFrom={(from) => setFrom([from, column])} />
      <Pager
        what={['Columns', 'columns']}
        from={column}
        size={COLUMNS}
        count={columns}
        onFrom={(from) => setFrom([row, from])}
      />
      <Unclear understood={understood} grids={grids} />
      {line === null ? null : (
        <LineSheet
          line={line}
          layout={block?.layout ?? null}
          isChosen={
            choices.lines?.[lineKey(line.grid, line.axis, line.at)] !== undefined ||
            choices.heads?.[line.grid] !== undefined
          }
          choices={choices}
          onChoose={onChoose}
          onClose={() => setLine(null)}
        />
      )}
    </SectionCard>
  );
}

function CellTable({
  part,
  fromRow,
  fromColumn,
  onLine,
}: {
  part: ShownPart;
  fromRow: number;
  fromColumn: number;
  onLine: (axis: 'row' | 'column', at: number, role: LineRole) => void;
}) {
  const { colors } = useTheme();
  const text = { fontFamily: TYPE.small.fontFamily, fontSize: 13, color: colors.ink };
  const edge = `1px solid ${colors.line}`;
  const headStyle = { ...text, border: edge, background: colors.paper, padding: 0 };
  const buttonStyle = {
    ...text,
    font: 'inherit',
    color: colors.working,
    background: 'transparent',
    border: 0,
    minHeight: 44,
    minWidth: 44,
    width: '100%',
    padding: '0 6px',
    cursor: 'pointer',
    whiteSpace: 'nowrap',
  } as const;
  const head = (axis: 'row' | 'column', index: number, role: LineRole) => {
    const at = index + (axis === 'row' ? fromRow : fromColumn);
    return (
      <button
        type="button"
        style={buttonStyle}
        aria-label={`${axis === 'row' ? 'Row' : 'Column'} ${at + 1}, ${lineLabel(role)}. Change how it is read`}
        onClick={() => onLine(axis, at, role)}
      >
        {lineLabel(role)}
      </button>
    );
  };
  return (
    <table style={{ borderCollapse: 'collapse' }} aria-label="As you kept it">
      <thead>
        <tr>
          <td style={headStyle} />
          {part.columns.map((role, index) => (
            <th key={index} scope="col" style={headStyle}>
              {head('column', index, role)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {part.cells.map((cells, down) => (
          <tr key={down}>
            <th scope="row" style={{ ...headStyle, position: 'sticky', left: 0, zIndex: 1 }}>
              {head('row', down, part.rows[down]!)}
            </th>
            {cells.map((cell, across) => (
              <TableCell key={across} cell={cell} />
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function TableCell({ cell: { text, role } }: { cell: ShownCell }) {
  const { colors } = useTheme();
  const peg = PEGS[role];
  const note = role === 'unclear' ? 'unclear' : role === 'target' && text !== '' ? 'target' : null;
  return (
    <td
      title={text.length > 12 ? text : undefined}
      style={{
        fontFamily: TYPE.small.fontFamily,
        fontSize: 13,
        border: role === 'unclear' ? `2px solid ${colors.madder}` : `1px solid ${colors.line}`,
        background: role === 'day' || role === 'name' ? colors.wash : colors.raised,
        color: role === 'out' || role === 'blank' ? colors.quiet : colors.ink,
        textAlign: 'center',
        padding: '4px 6px',
        maxWidth: 160,
        overflow: 'hidden',
        textOverflow: 'ellipsis',
        whiteSpace: 'nowrap',
      }}
    >
      {text}
      {peg === undefined ? null : (
        <span
          role="img"
          aria-label={`read as ${PEG_WORDS[role]}`}
          style={{ display: 'block', height: 16, lineHeight: 0, margin: '2px auto 0', width: 14 }}
        >
          <PegPicture state={peg} sizePx={14} color={colors.working} />
        </span>
      )}
      {note === null ? null : (
        <span style={{ display: 'block', fontSize: 11, color: note === 'unclear' ? colors.madder : colors.quiet }}>
          {note}
        </span>
      )}
    </td>
  );
}

function Pager({
  what: [name, many],
  from,
  size,
  count,
  onFrom,
}: {
  what: [name: string, many: string];
  from: number;
  size: number;
  count: number;
  onFrom: (from: number) => void;
}) {
  if (count <= size) return null;
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', flexWrap: 'wrap', gap: SPACE.s }}>
      <Words type="quiet" tone="quiet">
        {`${name} ${from + 1} to ${Math.min(count, from + size)} of ${count}`}
      </Words>
      <Button
        kind="bare"
        isDisabled={from === 0}
        onPress={() => onFrom(Math.max(0, from - size))}
        label={`Earlier ${many}`}
      >
        Earlier
      </Button>
      <Button kind="bare" isDisabled={from + size >= count} onPress={() => onFrom(from + size)} label={`Later ${many}`}>
        Later
      </Button>
    </View>
  );
}

/** Up to so many are listed in words. */
const SHOWN_UNCLEAR = 8;

function Unclear({ understood, grids }: Pick<Props, 'understood' | 'grids'>) {
  const { unclear, unclearCount } = understood;
  if (unclearCount === 0) return null;
  const placed = unclear.slice(0, SHOWN_UNCLEAR).map(({ grid, row, column, text }) => {
    const where = `row ${row + 1}, column ${column + 1}`;
    return `“${text}” in ${where}${grids.length > 1 ? ` of ${grids[grid]!.name}` : ''}`;
  });
  const more = unclearCount - placed.length;
  return (
    <Words type="quiet" tone="quiet">
      {`Says nothing clear, and is left out: ${placed.join('; ')}${more > 0 ? `; and ${more} more` : ''}.`}
    </Words>
  );
}

const useStyles = themed((colors) => ({
  frame: { borderWidth: 1, borderColor: colors.line, borderRadius: CORNER.field, backgroundColor: colors.raised },
}));
