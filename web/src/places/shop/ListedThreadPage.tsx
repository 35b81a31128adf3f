import { useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { ApiError, client, data } from '../../api/client';
import { useMayWork } from '../../parts/session';
import { Problem } from '../../parts/Problem';
import { ThreadFacts, type Questions } from './ThreadFacts';

/** A thread as a standard gives it, or any other that its text names. */
export function ListedThreadPage() {
  const text = useSearchParams()[0].get('thread') ?? '';
  const [asked, setAsked] = useState<{ text: string; typed: Questions }>();
  const typed = asked?.text === text ? asked.typed : {};
  const questions = Object.fromEntries(Object.entries(typed).map(([key, t]) => [key, t.base]));
  const navigate = useNavigate();
  const mayWork = useMayWork();
  const view = useQuery({
    queryKey: ['threads', 'view', text],
    queryFn: () => data(client.GET('/api/v1/threads/view', { params: { query: { text } } })),
    retry: false,
  });
  // A question that cannot be answered leaves the thread as it stands.
  const answer = useQuery({
    queryKey: ['threads', 'view', text, questions],
    queryFn: () => data(client.GET('/api/v1/threads/view', { params: { query: { text, ...questions } } })),
    enabled: Object.keys(questions).length > 0,
    placeholderData: (before, query) => (query?.queryKey[2] === text ? before : undefined),
    retry: false,
  });
  const thread = answer.data ?? view.data;
  const refused = answer.error instanceof ApiError ? answer.error.byField : {};
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
      {thread && <ThreadFacts thread={thread} typed={typed} refused={refused} onTyped={(next) => setAsked({ text, typed: next })} />}
      {thread?.missing && (
        <p className="muted small">
          Not here of {thread.standard}: {thread.missing}
        </p>
      )}
    </div>
  );
}
