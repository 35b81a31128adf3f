import { useEffect } from 'react';

/**
 * F6 goes to the next part of a page, Shift+F6 to the one before, so that nothing is more than a few keys away. Parts are the regions that a
 * page marks as such, or else what its headings head.
 */
export function useRegions() {
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.key !== 'F6' || e.ctrlKey || e.altKey) return;
      const parts = partsOf(document);
      if (parts.length === 0) return;
      e.preventDefault();
      const here = document.activeElement;
      // The part in which the focus stands, or the last heading before it.
      const now = parts.findLastIndex((p) => p.contains(here) || Boolean(p.compareDocumentPosition(here!) & FOLLOWING));
      const next = e.shiftKey ? (now <= 0 ? parts.length : now) - 1 : (now + 1) % parts.length;
      const part = parts[next]!;
      part.tabIndex = -1;
      part.focus();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

const FOLLOWING = 4;

function partsOf(page: Document): HTMLElement[] {
  const marked = [...page.querySelectorAll<HTMLElement>('[data-region]')];
  return marked.length > 0 ? marked : [...page.querySelectorAll<HTMLElement>('main h1, main h2')];
}
