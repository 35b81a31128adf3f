import { useQuery } from '@tanstack/react-query';
import { AutoComplete, type RefSelectProps } from 'antd';
import { useLayoutEffect, useRef } from 'react';
import { useNavigate } from 'react-router';
import { client, data } from '../api/client';
import { Themed } from '../parts/Themed';

/** Finds anything, and goes there. */
export default function Search({ text, onText }: { text: string; onText: (text: string) => void }) {
  const navigate = useNavigate();
  const box = useRef<RefSelectProps>(null);
  // It takes the place of the plain box that was entered, and so its focus, before the next key; what was typed there is looked for.
  useLayoutEffect(() => box.current?.focus(), []);
  const found = useQuery({
    queryKey: ['find', text],
    queryFn: () => data(client.GET('/api/v1/find', { params: { query: { q: text } } })),
    enabled: text.trim().length > 0,
  });
  const went = useRef(false);
  const go = (path: string) => {
    went.current = true;
    onText('');
    (document.activeElement as HTMLElement | null)?.blur();
    void navigate(path);
  };
  return (
    <Themed>
      <AutoComplete
        id="search"
        className="search"
        aria-label="Find anything"
        placeholder="find anything   /"
        ref={box}
        value={text}
        onSearch={onText}
        defaultOpen={text !== ''}
        defaultActiveFirstOption
        notFoundContent={text.trim() && found.isSuccess ? 'Nothing has these words.' : null}
        options={(found.data ?? []).map((f) => ({
          value: f.path,
          label: (
            <span className="found">
              <b>{f.name}</b> <span>{f.about}</span> <i>{f.kind}</i>
            </span>
          ),
        }))}
        onSelect={go}
        onInputKeyDown={(e) => {
          // Between the last key and this one the list may just have come, with none of it chosen yet: then the first is meant.
          const first = found.data?.[0];
          if (e.key !== 'Enter' || !first) return;
          went.current = false;
          setTimeout(() => went.current || go(first.path));
        }}
      />
    </Themed>
  );
}
