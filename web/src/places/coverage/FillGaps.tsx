import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button, Progress, Select } from 'antd';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { client, data, type Schemas } from '../../api/client';
import { useUnits } from '../../parts/session';
import { Problem } from '../../parts/Problem';
import { useMachines } from '../../parts/shelf';

type Gap = Schemas['Gap'];
const AGAIN = 400;

interface Props {
  /** Gaps that are chosen, without their machine. */
  gaps: readonly Omit<Gap, 'machineId'>[];
  machine: string | undefined;
  nameOf: (gap: Gap) => string;
  onDone: () => void;
}

/** Computes a draft for each chosen gap, with progress and stop; each is still reviewed. */
export function FillGaps({ gaps, machine, nameOf, onDone }: Props) {
  const queries = useQueryClient();
  const machines = useMachines().data ?? [];
  const [on, setOn] = useState(machine);
  const start = useMutation({
    mutationFn: () => data(client.POST('/api/v1/coverage/fill', { body: { gaps: gaps.map((g) => ({ ...g, machineId: Number(on) })) } })),
    onSuccess: onDone,
  });
  const id = start.data?.id;
  const work = useQuery({
    queryKey: ['fill', id],
    queryFn: () => data(client.GET('/api/v1/coverage/fill/{id}', { params: { path: { id: id! } } })),
    enabled: Boolean(id),
    refetchInterval: (q) => (q.state.data?.running === false ? false : AGAIN),
  });
  const stop = useMutation({
    mutationFn: () => data(client.DELETE('/api/v1/coverage/fill/{id}', { params: { path: { id: id! } } })),
  });
  const progress = work.data ?? start.data;
  const running = progress?.running ?? false;
  useEffect(() => {
    if (id && !running)
      void Promise.all([['coverage'], ['records', 'list'], ['history']].map((queryKey) => queries.invalidateQueries({ queryKey })));
  }, [id, running, queries]);
  const made = progress?.done.filter((d) => d.record) ?? [];
  return (
    <section className="card fill" aria-label="Fill gaps">
      {gaps.length > 0 && !running && (
        <div className="acts">
          <span>
            {gaps.length} {gaps.length === 1 ? 'gap' : 'gaps'} chosen
          </span>
          <Select
            aria-label="Machine for the drafts"
            placeholder="on which machine"
            style={{ width: 180 }}
            value={on}
            onChange={setOn}
            options={machines.map((m) => ({ value: String(m.id), label: m.definition.name }))}
          />
          <Button type="primary" disabled={!on} loading={start.isPending} onClick={() => start.mutate()}>
            Compute {gaps.length === 1 ? 'a draft' : `${gaps.length} drafts`}
          </Button>
        </div>
      )}
      {progress && (
        <>
          <div className="acts">
            <Progress percent={Math.round((progress.done.length / progress.total) * 100)} size="small" style={{ width: 220 }} />
            <span role="status">
              {progress.done.length} of {progress.total}: {made.length} {made.length === 1 ? 'draft' : 'drafts'}
              {running ? '…' : progress.done.length < progress.total ? ', stopped.' : '.'}
            </span>
            {running && <Button onClick={() => stop.mutate()}>Stop</Button>}
          </div>
          <ul className="filled">
            {progress.done.map((d, i) => (
              <li key={i}>
                {nameOf(d.gap)}: {d.record ? <Link to={`/records/${d.record}`}>{d.record}</Link> : <span className="warn">{d.whyNot}</span>}
                <Noticed findings={d.findings} />
              </li>
            ))}
          </ul>
        </>
      )}
      <Problem error={start.error ?? work.error ?? stop.error} />
    </section>
  );
}

function Noticed({ findings }: { findings: readonly Schemas['Finding'][] }) {
  const units = useUnits();
  return findings.map((f, i) => (
    <span key={i} className={f.severity === 'stop' ? 'grave small' : 'warn small'}>
      {' '}
      {f.severity === 'stop' ? 'Stop' : 'Caution'}: {units.sentence(f.text)}
    </span>
  ));
}
