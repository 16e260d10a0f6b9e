import { act, fireEvent, screen, within } from '@testing-library/react';
import Svg, { Circle } from 'react-native-svg';
import { signedIn } from '../../../store/accountSlice.ts';
import { withRecords } from '../../../testing/withRecords.tsx';
import { IsPrinted } from '../../../components/figure/printed.ts';
import { ChartCard, ChartsTitle } from './ChartCard.tsx';

const figures = {
  columns: [
    { name: 'Weekday', is: 'words' as const },
    { name: 'Kept', is: 'number' as const },
    { name: 'Rate', is: 'share' as const },
  ],
  rows: [
    ['Monday', 1234, 0.756],
    ['Tuesday', null, null],
  ],
};

function shown(isPrinted = false) {
  const { store } = withRecords(
    <ChartsTitle.Provider value="November 2026">
      <IsPrinted.Provider value={isPrinted}>
        <ChartCard title="Weekdays" aside="kept of what was due" figures={() => figures}>
          <Svg width={300} height={100}>
            <Circle cx={5} cy={5} r={4} />
          </Svg>
        </ChartCard>
      </IsPrinted.Provider>
    </ChartsTitle.Provider>,
    {},
  );
  act(() => void store.dispatch(signedIn({ id: 'a', email: 'ada@example.org' })));
}
const choose = (what: string): void => {
  fireEvent.click(screen.getByRole('button', { name: 'More of Weekdays' }));
  fireEvent.click(screen.getByRole('button', { name: what }));
};

describe('a card with a picture', () => {
  const made: { name: string; blob: Blob }[] = [];
  beforeEach(() => {
    made.length = 0;
    let last: Blob;
    URL.createObjectURL = (blob) => {
      last = blob as Blob;
      return 'blob:it';
    };
    URL.revokeObjectURL = () => undefined;
    jest.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (this: HTMLAnchorElement) {
      made.push({ name: this.download, blob: last });
    });
  });
  afterEach(() => jest.restoreAllMocks());

  it('shows its figures as a table on demand, and puts it away', () => {
    shown();
    expect(screen.queryByRole('table')).toBeNull();
    choose('Its figures as a table');
    const rows = within(screen.getByRole('table', { name: 'Figures of Weekdays' })).getAllByRole('row');
    expect(
      rows.map((row) => [...row.querySelectorAll('[role=cell], [role=columnheader]')].map((cell) => cell.textContent)),
    ).toEqual([
      ['Weekday', 'Kept', 'Rate'],
      ['Monday', '1,234', '76\u00a0%'],
      ['Tuesday', '–', '–'],
    ]);
    fireEvent.click(screen.getByRole('button', { name: 'Hide the table' }));
    expect(screen.queryByRole('table')).toBeNull();
  });

  it('saves them as CSV and the picture as SVG, named by whose, the span and the day', async () => {
    shown();
    choose('Save its figures, as CSV');
    choose('Save as SVG');
    expect(made.map(({ name }) => name)).toEqual([
      'wimbel-ada-november-2026-weekdays-figures-2026-11-24.csv',
      'wimbel-ada-november-2026-weekdays-2026-11-24.svg',
    ]);
    expect(made.map(({ blob }) => blob.type)).toEqual(['text/csv', 'image/svg+xml']);
    expect(screen.getByText('Saved as wimbel-ada-november-2026-weekdays-2026-11-24.svg')).toBeTruthy();
  });

  it('on paper has nothing to tap', () => {
    shown(true);
    expect(screen.getByText('kept of what was due')).toBeTruthy();
    expect(screen.queryAllByRole('button')).toEqual([]);
  });
});
