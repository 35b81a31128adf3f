import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button, Input, Select } from 'antd';
import { useState } from 'react';
import { client, data } from '../../api/client';
import { useApp } from '../../parts/session';
import { Problem } from '../../parts/Problem';
import { day } from '../../parts/units';

/** Approvers who are or will be away, and the engineer who decides in the meantime. */
export function AbsencePage() {
  const { session } = useApp();
  const queries = useQueryClient();
  const people = useQuery({ queryKey: ['absences'], queryFn: () => data(client.GET('/api/v1/absences')) });
  const [approver, setApprover] = useState<string>();
  const [deputy, setDeputy] = useState<string>();
  const [from, setFrom] = useState('');
  const [until, setUntil] = useState('');
  const again = () => queries.invalidateQueries({ queryKey: ['absences'] });
  const name = useMutation({
    mutationFn: () => data(client.POST('/api/v1/absences', { body: { deputy: deputy!, from, until, approver: approver ?? null } })),
    onSuccess: again,
  });
  const end = useMutation({
    mutationFn: (id: number) => data(client.DELETE('/api/v1/absences/{id}', { params: { path: { id } } })),
    onSuccess: again,
  });
  const agree = useMutation({
    mutationFn: (id: number) => data(client.POST('/api/v1/absences/{id}/agreement', { params: { path: { id } } })),
    onSuccess: again,
  });
  const administers = session?.role === 'administrator';
  const names = administers || (session?.role === 'approver' && !session.inPlaceOf);
  return (
    <div className="page narrow">
      <h1>Absences</h1>
      <p className="muted">
        While an approver is away, the deputy reviews, approves and publishes in their place. Nobody decides on what they worked on
        themselves or who they stand in for, and the history says in whose place it was done. It begins once the deputy has agreed.
      </p>
      {(people.data?.absences ?? []).map((a) => (
        <p key={a.id} className="card absence">
          <span>
            <b>{a.deputy}</b> decides in place of <b>{a.approver}</b>, {day(a.from)} to {day(a.until)}
            {a.now && a.agreed && ' · now'}
            {!a.agreed && <span className="warn"> · {a.deputy === session?.name ? 'you have' : `${a.deputy} has`} not agreed yet</span>}
          </span>
          {!a.agreed && a.deputy === session?.name && (
            <Button type="primary" loading={agree.isPending} onClick={() => agree.mutate(a.id)}>
              Agree
            </Button>
          )}
          {(administers || a.approver === session?.name) && (
            <Button loading={end.isPending} onClick={() => end.mutate(a.id)}>
              End it
            </Button>
          )}
        </p>
      ))}
      {people.data?.absences.length === 0 && <p>Nobody is away.</p>}
      {names && (
        <form
          className="card absent"
          onSubmit={(e) => {
            e.preventDefault();
            name.mutate();
          }}
        >
          {administers && (
            <label>
              <span>Who is away</span>
              <Select
                aria-label="Who is away"
                value={approver}
                onChange={setApprover}
                options={(people.data?.approvers ?? []).map((p) => ({ value: p, label: p }))}
              />
            </label>
          )}
          <label>
            <span>Deputy</span>
            <Select
              aria-label="Deputy"
              value={deputy}
              onChange={setDeputy}
              options={(people.data?.engineers ?? []).map((p) => ({ value: p, label: p }))}
            />
          </label>
          <label>
            <span>First day</span>
            <Input type="date" aria-label="First day" value={from} onChange={(e) => setFrom(e.target.value)} />
          </label>
          <label>
            <span>Last day</span>
            <Input type="date" aria-label="Last day" value={until} onChange={(e) => setUntil(e.target.value)} />
          </label>
          <Button
            type="primary"
            htmlType="submit"
            loading={name.isPending}
            disabled={!deputy || !from || !until || (administers && !approver)}
          >
            Name the deputy
          </Button>
        </form>
      )}
      <Problem error={people.error ?? name.error ?? end.error ?? agree.error} />
    </div>
  );
}
