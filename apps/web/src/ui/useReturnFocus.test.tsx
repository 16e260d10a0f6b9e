import { act, render, screen } from '@testing-library/react';
import { useReturnFocus } from './useReturnFocus.ts';

/** Something that takes the focus while it is there. */
function Over() {
  useReturnFocus();
  return <button aria-label="Close" ref={(node) => node?.focus()} />;
}
function Page({ isOver, mark }: { isOver: boolean; mark: string }) {
  return (
    <>
      <button key={mark} id="cell" aria-label="Scales" />
      <input aria-label="Elsewhere" />
      {isOver ? <Over /> : null}
    </>
  );
}
const settled = () => act(() => new Promise((resolve) => setTimeout(resolve, 5)));

function openedFromCell(): ReturnType<typeof render> {
  const page = render(<Page isOver={false} mark="a" />);
  screen.getByRole('button', { name: 'Scales' }).focus();
  page.rerender(<Page isOver mark="a" />);
  expect(document.activeElement).toBe(screen.getByRole('button', { name: 'Close' }));
  return page;
}

it('what had the focus before has it again, also where it was drawn anew meanwhile', async () => {
  for (const mark of ['a', 'b']) {
    const page = openedFromCell();
    page.rerender(<Page isOver={false} mark={mark} />);
    await settled();
    expect(document.activeElement).toBe(screen.getByRole('button', { name: 'Scales' }));
    page.unmount();
  }
});

it('what has taken the focus meanwhile keeps it', async () => {
  const page = openedFromCell();
  page.rerender(<Page isOver={false} mark="a" />);
  screen.getByRole('textbox', { name: 'Elsewhere' }).focus();
  await settled();
  expect(document.activeElement).toBe(screen.getByRole('textbox', { name: 'Elsewhere' }));
});

it('what opens before the focus has been given back gives it back in its turn', async () => {
  const page = openedFromCell();
  page.rerender(<Page isOver={false} mark="a" />);
  expect(document.activeElement).toBe(document.body);
  page.rerender(<Page isOver mark="a" />);
  await settled();
  expect(document.activeElement).toBe(screen.getByRole('button', { name: 'Close' }));
  page.rerender(<Page isOver={false} mark="a" />);
  await settled();
  expect(document.activeElement).toBe(screen.getByRole('button', { name: 'Scales' }));
});
