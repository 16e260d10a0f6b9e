import { fireEvent, render } from '@testing-library/react';
import { useLayoutEffect } from 'react';
import { useEscape } from './useEscape.ts';

function Over({ onClose }: { onClose: () => void }) {
  useEscape(onClose);
  return null;
}
/** Sees what is there before anything may happen later. */
function AtOnce() {
  useLayoutEffect(() => void fireEvent.keyUp(document.body, { key: 'Escape' }), []);
  return null;
}

it('Escape closes what has only just come to be seen', () => {
  const closed = jest.fn();
  render(
    <>
      <Over onClose={closed} />
      <AtOnce />
    </>,
  );
  expect(closed).toHaveBeenCalledTimes(1);
});

it('Escape closes the topmost alone, and then the one below; another key closes nothing', () => {
  const closed: string[] = [];
  const page = (isTwo: boolean) => (
    <>
      <Over onClose={() => void closed.push('below')} />
      {isTwo ? <Over onClose={() => void closed.push('above')} /> : null}
    </>
  );
  const { rerender } = render(page(true));
  fireEvent.keyUp(document.body, { key: 'a' });
  fireEvent.keyUp(document.body, { key: 'Escape' });
  expect(closed).toEqual(['above']);
  rerender(page(false));
  fireEvent.keyUp(document.body, { key: 'Escape' });
  expect(closed).toEqual(['above', 'below']);
});
