import { useEffect } from 'react';

/** F6 goes to the next part of a page, Shift+F6 to the one before, so that nothing is more than a few keys away. */
export function useRegions() {
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.key !== 'F6' || e.ctrlKey || e.altKey) return;
      const regions = [...document.querySelectorAll<HTMLElement>('[data-region]')];
      if (regions.length === 0) return;
      e.preventDefault();
      const now = regions.findIndex((r) => r.contains(document.activeElement));
      const next = e.shiftKey ? (now <= 0 ? regions.length : now) - 1 : (now + 1) % regions.length;
      regions[next]!.focus();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
