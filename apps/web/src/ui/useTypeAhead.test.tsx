import { act, fireEvent, renderHook } from '@testing-library/react';
import { type TypeAhead, useTypeAhead } from './useTypeAhead.ts';

const heard: string[] = [];
const hear = ({ key }: KeyboardEvent): void => void heard.push(key);

function keeping(onGivenUp: () => void = () => undefined): TypeAhead {
  return renderHook(() => useTypeAhead(onGivenUp)).result.current;
}

const press = (...keys: string[]): void =>
  act(() => keys.forEach((key) => void fireEvent.keyDown(document.body, { key })));

beforeEach(() => {
  heard.length = 0;
  document.addEventListener('keydown', hear);
});
afterEach(() => {
  document.removeEventListener('keydown', hear);
  document.body.innerHTML = '';
});

describe('what is typed before a field has come', () => {
  it('is kept for it in its order, slips taken back, and does nothing to the page', () => {
    const typed = keeping();
    typed.begin();
    press('g', 'o', 'x', 'Backspace', 'a', 'l');
    expect(heard).toEqual([]);
    expect(typed.take()).toEqual({ text: 'goal', entered: null });
    press('s');
    expect([heard, typed.take()]).toEqual([['s'], null]);
  });

  it('is kept with the Enter that ends it, and what follows that is let go', () => {
    const typed = keeping();
    typed.begin();
    press('g', 'o', 'Enter', 'x', 'Backspace', 'Backspace', 'Enter');
    expect(heard).toEqual([]);
    expect(typed.take()).toEqual({ text: 'go', entered: { isWithControl: false } });
    typed.begin();
    act(() => void fireEvent.keyDown(document.body, { key: 'Enter', ctrlKey: true }));
    expect(typed.take()).toEqual({ text: '', entered: { isWithControl: true } });
  });

  it('is of no matter before the field is asked for', () => {
    const typed = keeping();
    press('a');
    expect([heard, typed.take()]).toEqual([['a'], null]);
  });

  it('goes with Escape, which gives the field up', () => {
    const onGivenUp = jest.fn();
    const typed = keeping(onGivenUp);
    typed.begin();
    press('a', 'Escape', 'b');
    expect(onGivenUp).toHaveBeenCalledTimes(1);
    expect([heard, typed.take()]).toEqual([['b'], null]);
  });

  it('is still kept while the field has the focus and has not taken it, and is let go where another sheet came', () => {
    const typed = keeping();
    document.body.innerHTML = '<div role="dialog"><input /><button>Close</button></div>';
    document.querySelector('input')!.focus();
    typed.begin();
    press('a');
    expect([heard, typed.take()]).toEqual([[], { text: 'a', entered: null }]);
    document.querySelector('button')!.focus();
    typed.begin();
    press('a');
    expect([heard, typed.take()]).toEqual([[], { text: 'a', entered: null }]);
    document.body.innerHTML = '<div role="dialog"><button>Close</button></div>';
    typed.begin();
    press('b', 'c');
    expect([heard, typed.take()]).toEqual([['b', 'c'], null]);
  });
});
