import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button, Checkbox, Input, Pagination, Progress, Select } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { client, data, type Schemas } from '../../api/client';
import { useApp, useUnits } from '../../parts/session';
import { StillMissing } from '../firstday/Missing';
import { Problem } from '../../parts/Problem';
import { SituationSentence } from '../../parts/Situation';
import { CHANGES } from './changes';

type Take = Schemas['EditionTake'];
const PAGE = 50;

// What may be taken of a record, by how it would differ.
const TAKES: Record<Schemas['EditionChange'], [Take, string][]> = {
  added: [
    ['inForce', 'goes in'],
    ['nothing', 'stays out'],
  ],
  changed: [
    ['inForce', 'new revision'],
    ['before', 'as published before'],
    ['nothing', 'is left out'],
  ],
  same: [
    ['inForce', 'stays in'],
    ['nothing', 'is left out'],
  ],
  removed: [],
};

/** What the next edition would bring: chosen record by record, and published in the background. */
export function NextEdition() {
  const { session } = useApp();
  const units = useUnits();
  const queries = useQueryClient();
  const [note, setNote] = useState('');
  const [asksReading, setAsksReading] = useState(false);
  const [takes, setTakes] = useState<Record<string, Take>>({});
  const [reasons, setReasons] = useState<Record<string, string>>({});
  const [q, setQ] = useState('');
  const [change, setChange] = useState<Schemas['EditionChange'] | undefined>();
  const [page, setPage] = useState(1);
  const pending = useQuery({
    queryKey: ['editions', 'pending', q, change, page],
    queryFn: () => data(client.GET('/api/v1/editions/pending', { params: { query: { q, change, skip: (page - 1) * PAGE, take: PAGE } } })),
    placeholderData: keepPreviousData,
  });
  const [watched, setWatched] = useState(false);
  const progress = useQuery({
    queryKey: ['publishing'],
    queryFn: () => data(client.GET('/api/v1/editions/publishing')),
    enabled: watched,
    refetchInterval: (query) => (query.state.data?.running ? 500 : false),
  });
  const publish = useMutation({
    mutationFn: () => data(client.POST('/api/v1/editions', { body: { note, takes, asksReading, reasons } })),
    onSuccess: (now) => {
      queries.setQueryData(['publishing'], now);
      setWatched(true);
    },
  });
  const stop = useMutation({
    mutationFn: () => data(client.DELETE('/api/v1/editions/publishing')),
    onSuccess: (now) => queries.setQueryData(['publishing'], now),
  });
  const now = watched ? progress.data : undefined;
  const published = now?.edition?.number;
  const told = useRef(0);
  useEffect(() => {
    if (!published || told.current === published) return;
    told.current = published;
    setNote('');
    setTakes({});
    setReasons({});
    void queries.invalidateQueries({ queryKey: ['editions'] });
    void queries.invalidateQueries({ queryKey: ['lookup'] });
  }, [published, queries]);

  const { counts = {}, out = 0, total = 0, entries = [] } = pending.data ?? {};
  const changes = ['added', 'changed', 'removed'].reduce((sum, c) => sum + (counts[c] ?? 0), 0);
  const chosen = Object.values(takes).filter((t) => t !== 'inForce').length;
  const reasoned = Object.values(reasons).filter((r) => r.trim()).length;
  const mayPublish = session?.role === 'approver';
  const choose = (record: string, take: Take) =>
    setTakes((before) => {
      const after = { ...before, [record]: take };
      if (take === 'inForce') delete after[record];
      return after;
    });
  return (
    <section className="next">
      <h2>The next edition</h2>
      <Problem error={pending.error} />
      {pending.data && changes === 0 && (
        <p className="muted">
          {total > 0
            ? 'Nothing was approved or withdrawn since the last one. It can only be published with less in it.'
            : 'Nothing is approved: calculate, keep it as a record, submit it, and an approver decides.'}
        </p>
      )}
      {pending.data && total === 0 && <StillMissing of={['record', 'approval']} />}
      {!mayPublish ? (
        <p className="muted">An approver publishes it.</p>
      ) : (
        <>
          <Input.TextArea
            aria-label="Note of the edition"
            placeholder="what is new, for those who read it"
            rows={2}
            maxLength={2000}
            value={note}
            onChange={(e) => setNote(e.target.value)}
          />
          <p>
            <Checkbox checked={asksReading} onChange={(e) => setAsksReading(e.target.checked)}>
              Ask its readers to say that they have read it
            </Checkbox>
          </p>
          <div className="acts">
            <Button
              type="primary"
              loading={publish.isPending}
              disabled={now?.running || (changes === 0 && chosen === 0 && reasoned === 0)}
              onClick={() => publish.mutate()}
            >
              Publish
            </Button>
            {chosen > 0 && (
              <span className="muted">
                {chosen} chosen otherwise{' '}
                <Button size="small" type="link" onClick={() => setTakes({})}>
                  take all that is in force
                </Button>
              </span>
            )}
          </div>
        </>
      )}
      <div role="status">
        {now?.running && (
          <div className="acts">
            <Progress percent={now.total ? Math.floor((100 * now.done) / now.total) : 0} style={{ maxWidth: 260 }} />
            <span className="muted">
              {now.done} of {now.total} records are put together
            </span>
            <Button size="small" onClick={() => stop.mutate()}>
              Stop
            </Button>
          </div>
        )}
        {published !== undefined && (
          <p>
            <Link to={`/editions/${published}`}>Edition {published}</Link> is published: {now?.edition?.count} records.
          </p>
        )}
        {now?.refused && <p className="warn">{now.refused}</p>}
      </div>
      <Problem error={publish.error ?? stop.error} />
      {pending.data && (
        <div className="filters">
          {(Object.keys(CHANGES) as Schemas['EditionChange'][]).map(
            (c) =>
              (counts[c] ?? 0) > 0 && (
                <button
                  key={c}
                  type="button"
                  className="sieve"
                  aria-pressed={change === c}
                  onClick={() => {
                    setChange(change === c ? undefined : c);
                    setPage(1);
                  }}
                >
                  {CHANGES[c]} {counts[c]}
                </button>
              ),
          )}
          <Input
            allowClear
            aria-label="Find among them"
            placeholder="material, machine, shop number"
            style={{ width: 230 }}
            value={q}
            onChange={(e) => {
              setQ(e.target.value);
              setPage(1);
            }}
          />
        </div>
      )}
      {out > 0 && (
        <p className="warn small">
          {out} {out === 1 ? 'stays' : 'stay'} out: something stands against {out === 1 ? 'it' : 'them'}.{' '}
          <Link to="/records?stands=stale">Settle {out === 1 ? 'it' : 'them'} first</Link>, or say below why one goes in nevertheless.
        </p>
      )}
      <ul className="pending">
        {entries.map((p) => (
          <li key={p.record} className={p.change}>
            <div>
              <b>{CHANGES[p.change]}</b> <Link to={`/records/${p.record}`}>{p.record}</Link> <SituationSentence s={p.situation} />
              {p.against.length === 0 && p.staleBy.length > 0 && (
                <span className="stale"> · stale: {p.staleBy.join(', ')} revised since; it stays as it was published</span>
              )}
              {p.against.length > 0 && (
                <div className="against">
                  <b>Stays out.</b> {p.against.map((s) => units.sentence(s)).join(' ')}
                  {mayPublish && p.yields && (
                    <Input
                      size="small"
                      aria-label={`Why ${p.record} goes in nevertheless`}
                      placeholder="why it goes in nevertheless; whoever reads the figures sees it"
                      maxLength={2000}
                      value={reasons[p.record] ?? ''}
                      onChange={(e) => setReasons((before) => ({ ...before, [p.record]: e.target.value }))}
                    />
                  )}
                </div>
              )}
            </div>
            {mayPublish && p.against.length === 0 && TAKES[p.change].length > 0 && (
              <Select
                size="small"
                aria-label={`What the edition takes of ${p.record}`}
                style={{ width: 170 }}
                value={takes[p.record] ?? 'inForce'}
                onChange={(take) => choose(p.record, take)}
                options={TAKES[p.change].map(([value, label]) => ({ value, label }))}
              />
            )}
          </li>
        ))}
      </ul>
      {total > PAGE && <Pagination size="small" current={page} pageSize={PAGE} total={total} showSizeChanger={false} onChange={setPage} />}
    </section>
  );
}
