import { useQuery } from '@tanstack/react-query';
import { AutoComplete } from 'antd';
import { useId, useState } from 'react';
import { Link } from 'react-router';
import { client, data, type Schemas } from '../../../api/client';

type Chosen = { text: string; ownId: number };

const pathOf = (thread: Chosen) =>
  thread.ownId ? `/shop/threads/${thread.ownId}` : `/shop/threads/listed?thread=${encodeURIComponent(thread.text)}`;

/** The thread to cut: typed as its standard writes it, or chosen from what is found; the shop's own ones too. */
export function ThreadChoice(props: {
  title?: string;
  chosen: Chosen | undefined;
  cut?: Schemas['AttachmentCutThread'];
  refused: string | undefined;
  disabled?: boolean;
  onThread: (thread: Chosen | undefined) => void;
}) {
  const { title = 'Thread to cut', chosen, cut, refused, disabled = false, onThread } = props;
  const id = useId();
  // What is typed stays in the box until it is taken over.
  const [typed, setTyped] = useState<string | null>(null);
  const text = typed ?? chosen?.text ?? cut?.text ?? '';
  const found = useQuery({
    queryKey: ['threads', 'rows', text, ''],
    queryFn: () => data(client.GET('/api/v1/threads', { params: { query: { text } } })),
    enabled: typed !== null && typed.trim().length > 0,
    placeholderData: (before) => before,
  });
  const rows = typed === null ? [] : (found.data?.rows ?? []).slice(0, 30);
  const take = (thread: Chosen | undefined) => {
    setTyped(null);
    onThread(thread);
  };
  const typedIn = () => {
    if (typed === null) return;
    const words = typed.trim();
    const own = rows.find((r) => r.own && r.text.toLowerCase() === words.toLowerCase());
    if (words === chosen?.text || (!chosen && words === cut?.text)) setTyped(null);
    else take(words ? { text: own?.text ?? words, ownId: own?.own ?? 0 } : undefined);
  };
  const named = chosen ?? (cut && { text: cut.text, ownId: 0 });
  return (
    <div className="thread-choice">
      <h3>
        <label htmlFor={id}>{title}</label>
      </h3>
      <AutoComplete
        id={id}
        value={text}
        disabled={disabled}
        status={refused ? 'error' : ''}
        popupMatchSelectWidth={300}
        notFoundContent={typed?.trim() && found.isSuccess ? 'No thread has these words; what is typed is read as it stands.' : null}
        onSearch={setTyped}
        onBlur={typedIn}
        onInputKeyDown={(e) => {
          if (e.key === 'Escape') take(undefined);
          if (e.key === 'Enter') typedIn();
        }}
        onSelect={(_: string, row: { thread: Chosen }) => take(row.thread)}
        options={rows.map((r) => ({
          value: `${r.own ?? 0} ${r.text}`,
          thread: { text: r.text, ownId: r.own ?? 0 },
          label: (
            <span className="found">
              <b>{r.text}</b> <i>{r.own ? 'the shop’s own' : r.series}</i>
            </span>
          ),
        }))}
      />
      {refused && (
        <p className="refusal" role="alert">
          {refused}
        </p>
      )}
      <p className="muted small">
        {!chosen && cut && 'Proposed: the first one this cutter can make. '}
        {cut?.class && chosen && `Limits of ${cut.class}. `}
        {named && !refused && <Link to={pathOf(named)}>its page</Link>}
      </p>
    </div>
  );
}
