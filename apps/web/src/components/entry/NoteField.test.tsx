import { fireEvent, render, screen } from '@testing-library/react';
import { ThemeProvider } from '../../theme/Theme.tsx';
import { NoteField } from './NoteField.tsx';

/** A note that is kept by whoever shows it, and what was found to be written elsewhere meanwhile. */
function shown(note: string, isToldOfOthers = true) {
  const kept: string[] = [];
  const others: string[] = [];
  const field = (now: string) => (
    <ThemeProvider>
      <NoteField
        label="Why?"
        note={now}
        onChange={(text) => void kept.push(text)}
        {...(isToldOfOthers ? { onOther: (text: string) => void others.push(text) } : {})}
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

  it('shows what was written on another device beside what is typed, until it is put below or left out', () => {
    const { type, box, kept, arrives } = shown('Rain', false);
    type('Rain, wi');
    arrives('Rain and fog');
    expect(box.value).toBe('Rain, wi');
    const beside = () => screen.queryByRole('group', { name: 'Why?, written on another device at the same time' });
    expect(beside()?.textContent).toContain('Rain and fog');
    // It goes on being typed, a space at its end too, and nothing beside it is lost.
    type('Rain, wind ');
    expect(box.value).toBe('Rain, wind ');
    fireEvent.click(screen.getByRole('button', { name: 'Put below the other' }));
    expect(box.value).toBe('Rain, wind\n\nRain and fog');
    expect(beside()).toBeNull();
    fireEvent.blur(box);
    expect(kept).toEqual(['Rain, wind\n\nRain and fog']);
  });

  it('leaves out what was written elsewhere only where that is asked for', () => {
    const { type, box, kept } = shown('Rain\n\n— Written on another device at the same time —\nFog', false);
    type('Rain, wind');
    fireEvent.blur(box);
    expect(kept).toEqual(['Rain, wind\n\n— Written on another device at the same time —\nFog']);
    fireEvent.click(screen.getByRole('button', { name: 'Leave it out' }));
    fireEvent.blur(box);
    expect(kept.at(-1)).toBe('Rain, wind');
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
