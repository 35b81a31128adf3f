import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { Link } from 'react-router';
import { client, data } from '../../api/client';
import { useApp, useMayWork } from '../../parts/session';
import { Problem } from '../../parts/Problem';
import { day, moment } from '../../parts/units';
import { NextEdition } from './NextEdition';

/** What was published, and what the next edition would bring. */
export function EditionsPage() {
  const mayWork = useMayWork();
  const editions = useQuery({ queryKey: ['editions'], queryFn: () => data(client.GET('/api/v1/editions')) });
  const all = editions.data ?? [];
  return (
    <div className="page">
      <h1>Editions</h1>
      <p className="muted">An edition is a numbered, signed publication of approved records that never changes. Lookup shows the newest.</p>
      <Problem error={editions.error} />
      <div className={mayWork ? 'editions' : undefined}>
        <section>
          <h2>Published</h2>
          {editions.data?.length === 0 && <p className="muted">Nothing has been published yet.</p>}
          {all.map((e, i) => (
            <div key={e.number} className="card notched edition">
              <h2>
                <Link to={`/editions/${e.number}`}>Edition {e.number}</Link>
              </h2>
              <p>{e.note || 'No note was given.'}</p>
              <p className="muted small">
                {e.count} {e.count === 1 ? 'record' : 'records'}, published {day(e.publishedAt)} by {e.publishedBy},{' '}
                {e.signedWith ? (
                  <>
                    signed with <span className="mono">{e.signedWith.slice(0, 8)}</span>
                  </>
                ) : (
                  'not signed'
                )}
                {all[i + 1] && (
                  <>
                    {' · '}
                    <Link to={`/editions/${e.number}/differences?from=${all[i + 1]!.number}`}>what differs from {all[i + 1]!.number}</Link>
                  </>
                )}
              </p>
            </div>
          ))}
          <Keys />
        </section>
        {mayWork && <NextEdition />}
      </div>
    </div>
  );
}

/** The public keys, with which anybody checks an edition. */
function Keys() {
  const { session } = useApp();
  const queries = useQueryClient();
  const keys = useQuery({ queryKey: ['editions', 'keys'], queryFn: () => data(client.GET('/api/v1/editions/keys')) });
  const renew = useMutation({
    mutationFn: () => data(client.POST('/api/v1/editions/keys')),
    onSuccess: (all) => queries.setQueryData(['editions', 'keys'], all),
  });
  return (
    <details className="keys">
      <summary>Public keys, to check an edition with</summary>
      <Problem error={keys.error ?? renew.error} />
      <ul className="bare">
        {(keys.data ?? []).map((k) => (
          <li key={k.id}>
            <a href={`/api/v1/editions/keys/${k.id}.pem`} className="mono">
              {k.id}
            </a>{' '}
            since {moment(k.since)}
            {k.current ? ', signs the next edition' : ', kept for what it signed'}
            {k.editions.length > 0 && `; edition ${k.editions.join(', ')}`}
          </li>
        ))}
      </ul>
      <p className="muted small">
        ECDSA P-256 over the SHA-256 of the file. How to check without this program is in docs/editions.md; the form is told by the{' '}
        <a href="/api/v1/editions/schema">JSON Schema</a>.
      </p>
      {session?.role === 'administrator' && (
        <Button size="small" loading={renew.isPending} onClick={() => renew.mutate()}>
          Make a new key
        </Button>
      )}
    </details>
  );
}
