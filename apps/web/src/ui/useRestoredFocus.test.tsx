import { render, screen } from '@testing-library/react';
import { saveFocus, useRestoredFocus } from './useRestoredFocus.ts';

/** A screen with some controls, as it stands after it was gone to. */
function Controls({ words }: { words: string[] }) {
  useRestoredFocus();
  return words.map((text) => <button key={text} aria-label={text} />);
}
const control = (name: string): HTMLElement => screen.getByRole('button', { name });

/** Goes from a screen with the focus on one of its controls to the next. */
function goOn(from: string[], focused: string, to: string[]): void {
  const { unmount } = render(<Controls words={from} />);
  control(focused).focus();
  saveFocus();
  unmount();
  render(<Controls words={to} />);
}

it('a control that leads to its own screen has the focus there again', () => {
  goOn(['The month before', 'The month after'], 'The month after', [
    'The month before',
    'The month after',
    'This month',
  ]);
  expect(document.activeElement).toBe(control('The month after'));
});

it('a screen come to otherwise takes no focus, nor one whose control is gone', () => {
  render(<Controls words={['The month before']} />).unmount();
  expect(document.activeElement).toBe(document.body);
  goOn(['This month'], 'This month', ['The month after']);
  expect(document.activeElement).toBe(document.body);
});

it('focus that is somewhere already stays there', () => {
  const elsewhere = document.body.appendChild(document.createElement('input'));
  const { unmount } = render(<Controls words={['Week']} />);
  control('Week').focus();
  saveFocus();
  unmount();
  elsewhere.focus();
  render(<Controls words={['Week']} />);
  expect(document.activeElement).toBe(elsewhere);
  elsewhere.remove();
});
