import { act, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { ThemeProvider } from '../theme/Theme.tsx';
import { Button } from './Button.tsx';
import { Chips } from './Chips.tsx';
import { Field } from './Field.tsx';
import { Peg } from './Peg.tsx';
import { ProgressBar } from './ProgressBar.tsx';
import { Segments } from './Segments.tsx';
import { ToastProvider, useToast } from './Toast.tsx';

const show = (node: React.ReactNode) => render(<ThemeProvider>{node}</ThemeProvider>);

describe('a peg', () => {
  it('is a checkbox with a name, pressed by a tap and by the space bar', () => {
    const onPress = jest.fn();
    show(
      <Peg
        state="part"
        ratio={0.4}
        sizePx={36}
        color="#27736B"
        label="Cold swim: add 100 m"
        isChecked="mixed"
        onPress={onPress}
      />,
    );
    const peg = screen.getByRole('checkbox', { name: 'Cold swim: add 100 m' });
    expect(peg.getAttribute('aria-checked')).toBe('mixed');
    fireEvent.click(peg);
    fireEvent.keyDown(peg, { key: ' ' });
    expect(onPress).toHaveBeenCalledTimes(2);
  });
});

describe('choices', () => {
  function Choosing() {
    const [value, setValue] = useState('week');
    const [days, setDays] = useState<string[]>([]);
    return (
      <>
        <Segments
          label="Span"
          value={value}
          onChange={setValue}
          choices={[
            { value: 'week', label: 'Week' },
            { value: 'month', label: 'Month' },
          ]}
        />
        <Chips
          label="Days"
          isMultiple
          chips={[
            { value: 'mon', label: 'Mon' },
            { value: 'tue', label: 'Tue' },
          ]}
          chosen={days}
          onPress={(day) => setDays([...days, day])}
        />
      </>
    );
  }

  it('tell which is chosen, one or several', () => {
    show(<Choosing />);
    const checked = (role: string, name: string) => screen.getByRole(role, { name }).getAttribute('aria-checked');
    expect([checked('radio', 'Week'), checked('radio', 'Month')]).toEqual(['true', 'false']);
    fireEvent.click(screen.getByRole('radio', { name: 'Month' }));
    expect([checked('radio', 'Week'), checked('radio', 'Month')]).toEqual(['false', 'true']);
    fireEvent.click(screen.getByRole('checkbox', { name: 'Mon' }));
    fireEvent.click(screen.getByRole('checkbox', { name: 'Tue' }));
    expect([checked('checkbox', 'Mon'), checked('checkbox', 'Tue')]).toEqual(['true', 'true']);
  });
});

describe('a field', () => {
  it('says what is wrong beside itself, and keeps what was written', () => {
    show(<Field label="Amount" value="a lot" error="Write a number" />);
    const input = screen.getByLabelText('Amount');
    expect((input as HTMLInputElement).value).toBe('a lot');
    expect(input.getAttribute('aria-invalid')).toBe('true');
    expect(screen.getByRole('alert').textContent).toBe('Write a number');
    expect(document.getElementById(input.getAttribute('aria-describedby')!)?.textContent).toBe('Write a number');
  });
});

describe('a button', () => {
  it('cannot be pressed while it is busy', () => {
    const onPress = jest.fn();
    show(
      <Button onPress={onPress} isBusy>
        Sign in
      </Button>,
    );
    const button = screen.getByRole('button', { name: 'Sign in' });
    fireEvent.click(button);
    expect(onPress).not.toHaveBeenCalled();
    expect(button.getAttribute('aria-busy')).toBe('true');
  });
});

describe('a bar', () => {
  it('stays within 0 and 100 and says its numbers', () => {
    show(<ProgressBar ratio={1.75} color="#000" label="7 of 4" />);
    const bar = screen.getByRole('progressbar', { name: '7 of 4' });
    expect(bar.getAttribute('aria-valuenow')).toBe('100');
  });
});

describe('a toast', () => {
  function Saying({ onUndo }: { onUndo: () => void }) {
    const toast = useToast();
    return <Button onPress={() => toast({ text: 'Check-in removed', onUndo })}>Remove</Button>;
  }

  it('says what was done, takes it back once, and goes by itself', () => {
    jest.useFakeTimers();
    const onUndo = jest.fn();
    show(
      <ToastProvider>
        <Saying onUndo={onUndo} />
      </ToastProvider>,
    );
    fireEvent.click(screen.getByRole('button', { name: 'Remove' }));
    fireEvent.click(screen.getByRole('button', { name: 'Undo' }));
    expect(onUndo).toHaveBeenCalledTimes(1);
    expect(screen.queryByText('Check-in removed')).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Remove' }));
    expect(screen.queryByText('Check-in removed')).not.toBeNull();
    act(() => jest.advanceTimersByTime(7000));
    expect(screen.queryByText('Check-in removed')).toBeNull();
    jest.useRealTimers();
  });
});
