import { fireEvent, render, screen } from '@testing-library/react';
import { dayOf, formatDay } from '@wimbel/core';
import { ThemeProvider } from '../../../theme/Theme.tsx';
import { useByMonth } from './ByMonth.tsx';
import { Steps } from './Steps.tsx';

describe('cards that come one after another', () => {
  const cards = (...names: string[]) => names.map((name) => <p key={name}>{name}</p>);
  const seen = (): (string | null)[] =>
    screen
      .queryAllByText(/./)
      .filter((each) => each.tagName === 'P')
      .map((each) => each.textContent);

  it('begin with the first and are all there after a few frames, in their order, busy until then', async () => {
    const { container } = render(<Steps>{cards('days', 'share', 'areas')}</Steps>);
    const isBusy = (): boolean => container.querySelector('[aria-busy="true"]') !== null;
    expect([seen(), isBusy()]).toEqual([['days'], true]);
    await screen.findByText('areas');
    expect([seen(), isBusy()]).toEqual([['days', 'share', 'areas'], false]);
  });

  it('stay when they change, so that nothing flashes to empty', async () => {
    const { rerender } = render(<Steps>{cards('days', 'share')}</Steps>);
    await screen.findByText('share');
    rerender(<Steps>{cards('other days', 'other share')}</Steps>);
    expect(seen()).toEqual(['other days', 'other share']);
    rerender(<Steps>{[null, ...cards('one'), null]}</Steps>);
    expect(seen()).toEqual(['one']);
  });
});

describe('days that stand side by side', () => {
  const TODAY = dayOf('2026-11-24');
  function Shown({ first, last }: { first: string; last: string }) {
    const { drawn, arrows } = useByMonth({ first: dayOf(first), last: dayOf(last) }, TODAY);
    return (
      <ThemeProvider>
        <p>{`${formatDay(drawn.first)} to ${formatDay(drawn.last)}`}</p>
        {arrows}
      </ThemeProvider>
    );
  }
  const days = () => screen.getByText(/ to /).textContent;
  const press = (name: string): void => void fireEvent.click(screen.getByRole('button', { name }));
  const isOff = (name: string): boolean =>
    screen.getByRole('button', { name }).getAttribute('aria-disabled') === 'true';

  it('are all of a short span, without arrows', () => {
    render(<Shown first="2026-10-01" last="2026-12-31" />);
    expect(days()).toBe('2026-10-01 to 2026-12-31');
    expect(screen.queryAllByRole('button')).toEqual([]);
  });

  it('are a month of a long one, the latest first, and go no farther than its ends', () => {
    render(<Shown first="2026-01-01" last="2026-12-31" />);
    expect(days()).toBe('2026-11-01 to 2026-11-30');
    press('The month before');
    expect(days()).toBe('2026-10-01 to 2026-10-31');
    press('The month after');
    press('The month after');
    expect(days()).toBe('2026-12-01 to 2026-12-31');
    expect([isOff('The month after'), isOff('The month before')]).toEqual([true, false]);
  });

  it('begin anew with another span', () => {
    const { rerender } = render(<Shown first="2026-01-01" last="2026-12-31" />);
    press('The month before');
    rerender(<Shown first="2025-01-01" last="2025-12-31" />);
    expect(days()).toBe('2025-12-01 to 2025-12-31');
  });
});
