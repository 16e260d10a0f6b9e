import { useEffect } from 'react';

/** Duration of the highlight. */
const SHOWN_MS = 1600;

/** Scrolls the element that the route names (`dataSet={{ id }}`) into view once it is rendered, and highlights it briefly. */
export function useHighlightedTarget(id: string | undefined, isDrawn: boolean): void {
  useEffect(() => {
    if (!id || !isDrawn) return undefined;
    const part = document.querySelector<HTMLElement>(`[data-id="${CSS.escape(id)}"]`);
    if (part === null) return undefined;
    part.scrollIntoView({ block: 'center' });
    const control = part.matches('[tabindex="0"]') ? part : part.querySelector<HTMLElement>('[tabindex="0"]');
    control?.focus({ preventScroll: true });
    part.dataset['cameFor'] = '';
    const timer = setTimeout(() => delete part.dataset['cameFor'], SHOWN_MS);
    return () => clearTimeout(timer);
  }, [id, isDrawn]);
}
