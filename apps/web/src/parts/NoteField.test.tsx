import { act, fireEvent, render, screen } from '@testing-library/react';
import { ThemeProvider } from '../theme/Theme.tsx';
import { NoteField } from './NoteField.tsx';

const field = (): HTMLTextAreaElement => screen.getByLabelText('Note');
const type = (text: string): void => void fireEvent.change(field(), { target: { value: text } });

describe('a note that keeps itself', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  function shown(note: string) {
    const kept: string[] = [];
    const at = (now: string) => (
      <ThemeProvider>
        <NoteField label="Note" note={now} onChange={(text) => kept.push(text)} />
      </ThemeProvider>
    );
    const view = render(at(note));
    return { kept, becomes: (now: string): void => view.rerender(at(now)), leave: view.unmount };
  }

  it('is kept a moment after the last key, and a blank at its end stays under the finger', () => {
    const { kept, becomes } = shown('');
    type('slow ');
    act(() => jest.advanceTimersByTime(700));
    becomes('slow');
    expect([kept, field().value]).toEqual([['slow'], 'slow ']);
  });

  it('shows what undo or another device put there, and does not write over it as it goes', () => {
    const { kept, becomes, leave } = shown('');
    type('slow');
    act(() => jest.advanceTimersByTime(700));
    becomes('slow');
    becomes('slow and sure');
    expect(field().value).toBe('slow and sure');
    leave();
    expect(kept).toEqual(['slow']);
  });

  it('holds on to what is typed and not yet kept', () => {
    const { kept, becomes, leave } = shown('');
    type('mine');
    becomes('theirs');
    expect(field().value).toBe('mine');
    leave();
    expect(kept).toEqual(['mine']);
  });
});
