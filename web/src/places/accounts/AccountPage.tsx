import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button, Input, Table } from 'antd';
import { useState } from 'react';
import { client, data, type Schemas } from '../../api/client';
import { useApp } from '../../parts/session';
import { Problem, Refusals } from '../../parts/Problem';
import { moment } from '../../parts/units';
import { SecondFactor } from './SecondFactor';

type Session = Schemas['OwnSession'];

/** One's own account: password, second factor, and where one is signed in. */
export function AccountPage() {
  const { session } = useApp();
  return (
    <div className="page account">
      <h1>Your account</h1>
      <p className="muted">
        {session?.fullName}, signed in as {session?.name}.
      </p>
      <Password />
      <SecondFactor />
      <Sessions />
      <section aria-label="Your data">
        <h2>What is kept of you</h2>
        <p className="muted">
          Your account, where you are signed in, the views you keep, your absences, mails to you, and what the history tells of you. No
          password and no secret is in it.
        </p>
        <Button href="/api/v1/account/data">Take it along as a file</Button>
      </section>
    </div>
  );
}

/** A new password; every other session of the same person ends with it. */
function Password() {
  const queries = useQueryClient();
  const [current, setCurrent] = useState('');
  const [next, setNext] = useState('');
  const change = useMutation({
    mutationFn: () => client.PUT('/api/v1/account/password', { body: { current, next } }),
    onSuccess: () => {
      setCurrent('');
      setNext('');
      return queries.invalidateQueries({ queryKey: ['account'] });
    },
  });
  return (
    <section aria-label="Password">
      <h2>Password</h2>
      <p className="muted">
        At least 12 characters; a few words in a row that nobody would put together are easily remembered. Wherever else you are signed in,
        you are signed out.
      </p>
      <form
        className="inline"
        onSubmit={(e) => {
          e.preventDefault();
          change.mutate();
        }}
      >
        <label>
          Password until now <Input.Password value={current} autoComplete="current-password" onChange={(e) => setCurrent(e.target.value)} />
        </label>
        <label>
          New password <Input.Password value={next} autoComplete="new-password" onChange={(e) => setNext(e.target.value)} />
        </label>
        <Button type="primary" htmlType="submit" loading={change.isPending} disabled={!current || !next}>
          Change it
        </Button>
      </form>
      {change.isSuccess && <p role="status">Changed.</p>}
      <Refusals error={change.error} />
    </section>
  );
}

function Sessions() {
  const queries = useQueryClient();
  const sessions = useQuery({ queryKey: ['account', 'sessions'], queryFn: () => data(client.GET('/api/v1/account/sessions')) });
  const again = () => queries.invalidateQueries({ queryKey: ['account'] });
  const end = useMutation({
    mutationFn: (id: string) => client.DELETE('/api/v1/account/sessions/{id}', { params: { path: { id } } }),
    onSettled: again,
  });
  const others = useMutation({ mutationFn: () => client.DELETE('/api/v1/account/sessions'), onSettled: again });
  const all = sessions.data ?? [];
  return (
    <section aria-label="Sessions">
      <h2>Where you are signed in</h2>
      <Problem error={sessions.error ?? end.error ?? others.error} />
      <Table<Session>
        size="small"
        rowKey="id"
        pagination={false}
        loading={sessions.isPending}
        dataSource={all}
        columns={[
          {
            title: 'Browser',
            render: (_, s) => (
              <>
                {deviceOf(s.device)} {s.own && <b>(this one)</b>}
              </>
            ),
          },
          { title: 'Since', render: (_, s) => moment(s.since) },
          { title: 'Ends, if nothing is done there', render: (_, s) => moment(s.until) },
          {
            title: '',
            render: (_, s) =>
              !s.own && (
                <Button size="small" type="text" onClick={() => end.mutate(s.id)}>
                  End it
                </Button>
              ),
          },
        ]}
      />
      {all.length > 1 && (
        <p>
          <Button loading={others.isPending} onClick={() => others.mutate()}>
            End all others
          </Button>
        </p>
      )}
    </section>
  );
}

/** A browser in the words people use, out of what it says of itself. */
export function deviceOf(agent: string): string {
  const browser = /Firefox|Edg|OPR|Chrome|Safari/.exec(agent.replace(/Safari(?=.*Edg)|Chrome(?=.*(Edg|OPR))/g, ''))?.[0];
  const system = /Android|iPhone|iPad|Windows|Mac OS X|Linux/.exec(agent)?.[0];
  const names: Record<string, string> = { Edg: 'Edge', OPR: 'Opera', 'Mac OS X': 'macOS' };
  const of = (word: string | undefined) => (word ? (names[word] ?? word) : undefined);
  return [of(browser), of(system)].filter(Boolean).join(' on ') || agent || 'unknown';
}
