import { useState } from 'react';
import { useSearchParams } from 'react-router';

/**
 * A text that stands in the address. It is kept here as it is typed and follows into the address, which may lag behind the keys.
 * Keys in `drops` leave the address when the text changes.
 */
export function useAddressText(key: string, drops: readonly string[] = []): [string, (text: string) => void] {
  const [search, setSearch] = useSearchParams();
  const [text, setText] = useState(search.get(key) ?? '');
  return [
    text,
    (next) => {
      setText(next);
      setSearch(
        (s) => {
          drops.forEach((d) => s.delete(d));
          if (next) s.set(key, next);
          else s.delete(key);
          return s;
        },
        { replace: true },
      );
    },
  ];
}
