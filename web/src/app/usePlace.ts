import { useEffect } from 'react';
import { useLocation } from 'react-router';

/**
 * Names the place in the tab, in the history and to readers of the screen by its heading, and moves the focus there after a navigation, so
 * that reading and tabbing begin where the new page does. A page that has put the focus into a box of its own keeps it.
 */
export function usePlace() {
  const { pathname, key } = useLocation();

  useEffect(() => {
    const place = document.getElementById('place');
    if (!place) return;
    // The first page is where the browser begins anyway.
    let arrive = key !== 'default';
    const look = () => {
      const heading = place.querySelector<HTMLElement>('h1');
      const words = heading?.textContent?.trim().replace(/\s+/g, ' ') ?? '';
      const title = words ? `${words} · Incisura` : 'Incisura';
      if (document.title !== title) document.title = title;
      if (!heading || !arrive) return;
      arrive = false;
      if (place.contains(document.activeElement)) return;
      heading.tabIndex = -1;
      heading.focus({ preventScroll: true });
    };
    look();
    const watch = new MutationObserver(look);
    watch.observe(place, { childList: true, subtree: true, characterData: true });
    return () => watch.disconnect();
    // The key changes with every step inside a page, which is no navigation.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [pathname]);
}
