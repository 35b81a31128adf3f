import { useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { client, data } from '../../api/client';
import { useMayWork } from '../../app/session';
import type { Typed } from '../../parts/NumberField';
import { Problem } from '../../parts/Problem';
import { ThreadFacts } from './ThreadFacts';

/** A thread as a standard gives it, or any other that its text names. */
export function ListedThreadPage() {
  const text = useSearchParams()[0].get('thread') ?? '';
  const [wire, setWire] = useState<{ text: string; typed: Typed | undefined }>();
  const typed = wire?.text === text ? wire.typed : undefined;
  const navigate = useNavigate();
  const mayWork = useMayWork();
  const view = useQuery({
    queryKey: ['threads', 'view', text, typed?.base],
    queryFn: () => data(client.GET('/api/v1/threads/view', { params: { query: { text, ...(typed && { wire: typed.base }) } } })),
    placeholderData: (before) => (before?.text === text ? before : undefined),
  });
  const thread = view.data;
  return (
    <div className="page">
      <header>
        <div>
          <Link to="/shop/threads">Threads</Link>
          <h1>{thread?.text ?? text}</h1>
          {thread && (
            <span className="muted">
              {thread.formName}
              {thread.series && `, ${thread.series}`}, {thread.standard}
            </span>
          )}
        </div>
        <span className="grow" />
        {mayWork && thread && (
          <Button onClick={() => void navigate(`/shop/threads/new?from=${encodeURIComponent(thread.text)}`)}>
            Make an own thread from this
          </Button>
        )}
      </header>
      <Problem error={view.error} />
      {thread && !thread.listed && (
        <p className="notjudged">
          {thread.standard} does not list this pair of diameter and pitch. Its dimensions follow from the profile; make it an own thread
          before work is planned with it.
        </p>
      )}
      {thread?.listed && !thread.checked && (
        <p className="notjudged">The size is set down from memory and was not checked against the standard’s own table.</p>
      )}
      {thread && <ThreadFacts thread={thread} wire={typed} onWire={(next) => setWire({ text, typed: next })} />}
      {thread?.missing && (
        <p className="muted small">
          Not here of {thread.standard}: {thread.missing}
        </p>
      )}
    </div>
  );
}
