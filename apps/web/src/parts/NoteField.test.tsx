import { fireEvent, render, screen } from '@testing-library/react';
import { ThemeProvider } from '../theme/Theme.tsx';
import { NoteField } from './NoteField.tsx';

/** A note that is kept by whoever shows it, and what was found to be written elsewhere meanwhile. */
function shown(note: string) {
  const kept: string[] = [];
  const others: string[] = [];
  const field = (now: string) => (
    <ThemeProvider>
      <NoteField
        label="Why?"
        note={now}
        onChange={(text) => void kept.push(text)}
        onOther={(text) => void others.push(text)}
        isTelling
      />
    </ThemeProvider>
  );
  const { rerender } = render(field(note));
  const box = screen.getByLabelText('Why?') as HTMLTextAreaElement;
  return {
    kept,
    others,
    box,
    type: (text: string) => fireEvent.change(box, { target: { value: text } }),
    arrives: (text: string) => rerender(field(text)),
  };
}

describe('a note that is being written', () => {
  it('keeps itself when it is left, and says so once it is kept', () => {
    const { type, box, kept, others, arrives } = shown('Rain');
    type('Rain, wind');
    expect(screen.getByText('Writing …')).toBeTruthy();
    fireEvent.blur(box);
    expect(kept).toEqual(['Rain, wind']);
    arrives('Rain, wind');
    expect(screen.getByText('Kept')).toBeTruthy();
    expect(others).toEqual([]);
  });

  it('gives what was written on another device meanwhile, and goes on with what is typed', () => {
    const { type, box, others, arrives } = shown('Rain');
    type('Rain, wi');
    arrives('Rain and fog');
    expect(others).toEqual(['Rain and fog']);
    expect(box.value).toBe('Rain, wi');
  });

  it('shows what comes from elsewhere where all that was typed is kept, or nothing was', () => {
    const untouched = shown('Rain');
    untouched.arrives('Sun');
    expect([untouched.box.value, untouched.others]).toEqual(['Sun', []]);
  });

  it('takes the other text for its own where what is typed holds it', () => {
    const { type, others, arrives } = shown('Rain');
    type('Rain and fog, then sun');
    arrives('Rain and fog');
    expect(others).toEqual([]);
  });
});
