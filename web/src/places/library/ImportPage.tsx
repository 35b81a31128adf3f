import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button, Progress, Segmented, Select } from 'antd';
import { useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { client, data, type Schemas } from '../../api/client';
import { FileButton } from '../../parts/FileButton';
import { Problem } from '../../parts/Problem';
import { useShelfChanged } from '../../parts/shelf';
import { fieldWords, text as shown } from '../../parts/differences';

type Outcome = Schemas['RowOutcome'];
const LARGEST = 32 * 1024 * 1024;
const OUTCOMES: [Outcome, string][] = [
  ['refused', 'refused'],
  ['asked', 'to be looked at'],
  ['added', 'added'],
  ['changed', 'changed'],
  ['same', 'as they are'],
];
const BUSY = ['looking', 'writing'];

/** Brings a table of cutters in: columns matched by meaning and unit, every row looked at, then all or the good ones written. */
export function ImportPage() {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const shelfChanged = useShelfChanged();
  const [search, setSearch] = useSearchParams();
  const id = Number(search.get('job')) || undefined;
  const [outcome, setOutcome] = useState<Outcome>();
  const [refused, setRefused] = useState('');
  const fields = useQuery({
    queryKey: ['import-fields'],
    queryFn: () => data(client.GET('/api/v1/library/cutters/imports/fields')),
    staleTime: Infinity,
  });
  const job = useQuery({
    queryKey: ['import', id, outcome],
    queryFn: () =>
      data(client.GET('/api/v1/library/cutters/imports/{id}', { params: { path: { id: id! }, query: outcome ? { outcome } : {} } })),
    enabled: id !== undefined,
    refetchInterval: (q) => (BUSY.includes(q.state.data?.state ?? '') ? 300 : false),
    placeholderData: (before) => before,
    retry: false,
  });
  const again = () => queries.invalidateQueries({ queryKey: ['import', id] });

  const send = useMutation({
    mutationFn: (file: File) =>
      data(
        client.POST('/api/v1/library/cutters/imports', {
          params: { query: { file: file.name } },
          headers: { 'content-type': 'application/octet-stream' },
          body: file as never,
          bodySerializer: (body) => body,
        }),
      ),
    onSuccess: (view) => {
      setOutcome(undefined);
      setSearch({ job: String(view.id) });
    },
  });
  const columns = useMutation({
    mutationFn: (body: Schemas['ImportColumns']) =>
      data(client.PUT('/api/v1/library/cutters/imports/{id}/columns', { params: { path: { id: id! } }, body })),
    onSettled: again,
  });
  const apply = useMutation({
    mutationFn: (goodRowsOnly: boolean) =>
      data(client.POST('/api/v1/library/cutters/imports/{id}/apply', { params: { path: { id: id! } }, body: { goodRowsOnly } })),
    onSettled: again,
  });
  const stop = useMutation({
    mutationFn: () => data(client.DELETE('/api/v1/library/cutters/imports/{id}', { params: { path: { id: id! } } })),
    onSettled: again,
  });

  const view = job.data;
  const counts = view?.counts ?? {};
  const writes = (counts.added ?? 0) + (counts.changed ?? 0) + (counts.asked ?? 0);
  const busy = BUSY.includes(view?.state ?? '');
  const choose = (file: File) => {
    if (file.size > LARGEST) {
      setRefused(`${file.name} has ${(file.size / 1048576).toFixed(0)} MB; 32 MB is the most. Split it, or leave columns out.`);
      return;
    }
    setRefused('');
    send.mutate(file);
  };
  const setColumn = (i: number, change: Partial<Schemas['ImportColumnChoice']>) =>
    view &&
    columns.mutate({
      inch: view.inch,
      columns: view.columns.map((c, j) => ({ field: c.field, inch: c.inch, ...(i === j ? change : {}) })),
    });

  return (
    <div className="page import">
      <header>
        <div>
          <Link to="/library/cutters">Cutters</Link>
          <h1>Bring in a table of cutters</h1>
        </div>
        <span className="grow" />
        <FileButton words={view ? 'Choose another file' : 'Choose a CSV or XLSX file'} accept=".csv,.txt,.tsv,.xlsx" onFile={choose} />
      </header>
      <Problem error={refused || send.error || job.error || columns.error || apply.error} />
      {!view && !send.isPending && (
        <p className="muted">
          The first row holds the headings. Columns are matched by what they mean: number, family, DC or diameter, flutes, coating … Nothing
          is written before you have seen what becomes of every row. A row whose number is in the library changes that cutter; blank cells
          leave what stands.
        </p>
      )}
      {view && (
        <>
          <div className="import-head">
            <b>{view.file}</b> {view.total} rows
            <Segmented
              size="small"
              disabled={busy || view.state === 'done'}
              value={view.inch ? 'in' : 'mm'}
              onChange={(v) =>
                columns.mutate({ inch: v === 'in', columns: view.columns.map((c) => ({ field: c.field, inch: v === 'in' })) })
              }
              options={[
                { value: 'mm', label: 'lengths in mm' },
                { value: 'in', label: 'lengths in inches' },
              ]}
            />
            {busy && (
              <>
                <Progress
                  size="small"
                  percent={Math.floor((100 * view.reached) / Math.max(1, view.state === 'writing' ? writes : view.total))}
                  style={{ width: 200 }}
                />
                <Button size="small" onClick={() => stop.mutate()}>
                  Stop
                </Button>
              </>
            )}
            {view.said && <span role="status">{view.said}</span>}
          </div>
          {view.hints.map((h) => (
            <p key={h} className="doubt">
              {h}
            </p>
          ))}
          <div className="import-columns" tabIndex={0} aria-label="Columns">
            {view.columns.map((c, i) => (
              <div key={i} className={c.field ? '' : 'left-out'}>
                <b>{c.heading || '(no heading)'}</b>
                <Select
                  size="small"
                  aria-label={`${c.heading} is`}
                  showSearch={{ optionFilterProp: 'label' }}
                  popupMatchSelectWidth={250}
                  disabled={busy || view.state === 'done'}
                  value={c.field}
                  onChange={(field) => setColumn(i, { field })}
                  options={[{ value: '', label: 'left out' }, ...(fields.data ?? []).map((f) => ({ value: f.code, label: f.name }))]}
                />
                <span className="muted mono small">{c.examples.join(' · ')}</span>
              </div>
            ))}
          </div>
          <div className="import-outcomes">
            <button type="button" className="sieve" aria-pressed={!outcome} onClick={() => setOutcome(undefined)}>
              all
            </button>
            {OUTCOMES.filter(([key]) => counts[key]).map(([key, words]) => (
              <button key={key} type="button" aria-pressed={outcome === key} className={`sieve ${key}`} onClick={() => setOutcome(key)}>
                {counts[key]} {words}
              </button>
            ))}
            <span className="grow" />
            {view.state === 'done' ? (
              <Button type="primary" onClick={() => void shelfChanged().then(() => navigate('/library/cutters'))}>
                See the cutters
              </Button>
            ) : (
              <>
                {(counts.refused ?? 0) > 0 && (
                  <Button disabled={view.state !== 'ready' || writes === 0} loading={apply.isPending} onClick={() => apply.mutate(true)}>
                    Write the {writes} good rows only
                  </Button>
                )}
                <Button
                  type="primary"
                  disabled={view.state !== 'ready' || writes === 0 || (counts.refused ?? 0) > 0}
                  loading={apply.isPending}
                  onClick={() => apply.mutate(false)}
                >
                  {(counts.refused ?? 0) > 0 ? 'All or nothing: mend the refused rows first' : `Write all ${writes}`}
                </Button>
              </>
            )}
          </div>
          <table className="import-rows">
            <tbody>
              {view.rows.map((r) => (
                <tr key={r.line} className={r.outcome}>
                  <td className="mono muted">{r.line}</td>
                  <td>{r.number}</td>
                  <td>{r.words}</td>
                  <td className="outcome">{OUTCOMES.find(([key]) => key === r.outcome)![1]}</td>
                  <td>
                    {r.faults.map((f, i) => (
                      <div key={i} className={r.outcome === 'refused' ? 'refusal' : 'doubt'}>
                        {f.column && <b>{f.column}: </b>}
                        {f.sentence}
                      </div>
                    ))}
                    {r.changes.slice(0, 6).map((c) => (
                      <div key={c.field} className="mono small">
                        {fieldWords({}, c.field)}: {shown(c.from)} → {shown(c.to)}
                      </div>
                    ))}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {view.rows.length === 200 && <p className="muted small">The first 200 rows are shown; choose an outcome above to see others.</p>}
        </>
      )}
    </div>
  );
}
