import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { client, data, type Schemas } from '../../api/client';
import { useApp, useMayWork } from '../../app/session';
import { Problem } from '../../parts/Problem';
import { SituationSentence } from '../../parts/Situation';
import { day } from '../../parts/units';

const CHANGES: Record<Schemas['EditionChange'], string> = {
  same: 'as before',
  added: 'new',
  changed: 'new revision',
  removed: 'no longer',
};

/** What was published, and what the next edition would bring. */
export function EditionsPage() {
  const mayWork = useMayWork();
  const editions = useQuery({ queryKey: ['editions'], queryFn: () => data(client.GET('/api/v1/editions')) });
  return (
    <div className="page">
      <h1>Editions</h1>
      <p className="muted">
        An edition is a numbered publication of all approved records with everything they rest on. It never changes; Lookup shows the
        newest.
      </p>
      <Problem error={editions.error} />
      <div className="editions">
        <section>
          <h2>Published</h2>
          {editions.data?.length === 0 && <p className="muted">Nothing has been published yet.</p>}
          {(editions.data ?? []).map((e) => (
            <div key={e.number} className="card notched edition">
              <h2>
                <Link to={`/editions/${e.number}`}>Edition {e.number}</Link>
              </h2>
              <p>{e.note || 'No note was given.'}</p>
              <p className="muted small">
                {e.count} records, published {day(e.publishedAt)} by {e.publishedBy}, <span className="mono">{e.digest.slice(0, 12)}</span>
              </p>
            </div>
          ))}
        </section>
        {mayWork && <Next />}
      </div>
    </div>
  );
}

function Next() {
  const { session } = useApp();
  const queries = useQueryClient();
  const [note, setNote] = useState('');
  const pending = useQuery({ queryKey: ['editions', 'pending'], queryFn: () => data(client.GET('/api/v1/editions/pending')) });
  const publish = useMutation({
    mutationFn: () => data(client.POST('/api/v1/editions', { body: { note } })),
    onSuccess: async () => {
      setNote('');
      await Promise.all([queries.invalidateQueries({ queryKey: ['editions'] }), queries.invalidateQueries({ queryKey: ['lookup'] })]);
    },
  });
  const entries = pending.data ?? [];
  const changes = entries.filter((p) => p.change !== 'same');
  return (
    <section className="next">
      <h2>The next edition</h2>
      <Problem error={pending.error} />
      {changes.length === 0 ? (
        <p className="muted">Nothing was approved or withdrawn since the last one, so there is nothing to publish.</p>
      ) : (
        <>
          <ul className="pending">
            {changes.map((p) => (
              <li key={p.record} className={p.change}>
                <b>{CHANGES[p.change]}</b> <Link to={`/records/${p.record}`}>{p.record}</Link>{' '}
                <span>
                  <SituationSentence s={p.situation} />
                  {p.staleBy.length > 0 && <span className="stale"> · stale: {p.staleBy.join(', ')} revised since</span>}
                </span>
              </li>
            ))}
          </ul>
          <p className="muted">{entries.length - changes.length} records stay as they are.</p>
          {session?.role === 'approver' ? (
            <>
              <Input.TextArea
                aria-label="Note of the edition"
                placeholder="what is new, for those who read it"
                rows={2}
                maxLength={2000}
                value={note}
                onChange={(e) => setNote(e.target.value)}
              />
              <Button type="primary" loading={publish.isPending} onClick={() => publish.mutate()}>
                Publish
              </Button>
            </>
          ) : (
            <p className="muted">An approver publishes it.</p>
          )}
        </>
      )}
      <Problem error={publish.error} />
    </section>
  );
}
