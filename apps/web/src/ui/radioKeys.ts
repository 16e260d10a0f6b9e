/**
 * Keys of a group of which one is chosen: arrows choose the next or the one before, from the last on to the first. Put on
 * the group, whose choices are reached by Tab as one.
 */
export function radioKeys(event: React.KeyboardEvent): void {
  const by = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
  const at = event.target as HTMLElement;
  if (by === undefined || at.getAttribute('role') !== 'radio') return;
  const radios = [...(event.currentTarget as HTMLElement).querySelectorAll<HTMLElement>('[role=radio]')];
  const next = radios[(radios.indexOf(at) + by + radios.length) % radios.length];
  event.preventDefault();
  next?.focus();
  next?.click();
}

/** Which of some choices Tab comes to: the chosen one, else the first. */
export const isTabbed = (values: readonly string[], chosen: string | undefined, value: string): boolean =>
  chosen !== undefined && values.includes(chosen) ? value === chosen : value === values[0];
