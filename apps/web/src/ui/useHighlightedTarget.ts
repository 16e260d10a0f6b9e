import { useEffect } from 'react';

/** How long what was come for stands out. */
const SHOWN_MS = 1600;

/**
 * Brings the part of a page that an address names into view once it is drawn, and lets it stand out for a moment. Parts say
 * their ids as `dataSet={{ id }}`; one that is not on the page leaves it as it is.
 */
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
