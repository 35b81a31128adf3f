import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button, Checkbox, Input, Select, Table } from 'antd';
import { useState } from 'react';
import { Link as RouteLink } from 'react-router';
import { client, data, type Schemas } from '../../api/client';
import { useApp } from '../../parts/session';
import { Problem, Refusals } from '../../parts/Problem';
import { moment } from '../../parts/units';

type Person = Schemas['PersonView'];
type Invitation = Schemas['Invitation'];
const ROLES = (['reader', 'engineer', 'approver', 'administrator'] as const).map((r) => ({ value: r, label: r }));
const EMPTY = { name: '', fullName: '', role: 'reader' as Schemas['Role'], byProvider: false };
const STANDS: Record<Person['stands'], string> = {
  invited: 'invited, not here yet',
  open: 'open',
  closed: 'closed',
  removed: 'closed, data removed',
};

/** The administrator's list of people: who may sign in, and what they may do. */
export function PeoplePage() {
  const queries = useQueryClient();
  const { session } = useApp();
  const people = useQuery({ queryKey: ['people'], queryFn: () => data(client.GET('/api/v1/people')) });
  const provider = useQuery({ queryKey: ['welcome'], queryFn: () => data(client.GET('/api/v1/session/welcome')) }).data?.provider;
  const [person, setPerson] = useState(EMPTY);
  const [invited, setInvited] = useState<Invitation>();
  const [leaving, setLeaving] = useState<string>();
  const again = () => queries.invalidateQueries({ queryKey: ['people'] });
  const add = useMutation({
    mutationFn: () => data(client.POST('/api/v1/people', { body: person })) as Promise<Invitation>,
    onSuccess: (link) => {
      setPerson(EMPTY);
      setInvited(link);
      return again();
    },
  });
  const change = useMutation({
    mutationFn: ({ name, fullName, role, disabled, byProvider }: Schemas['PersonChange'] & { name: string }) =>
      data(client.PUT('/api/v1/people/{name}', { params: { path: { name } }, body: { fullName, role, disabled, byProvider } })),
    onSuccess: again,
  });
  const invite = useMutation({
    mutationFn: (name: string) => data(client.POST('/api/v1/people/{name}/link', { params: { path: { name } } })),
    onSuccess: (link) => setInvited(link),
  });
  const unlock = useMutation({
    mutationFn: (name: string) => client.DELETE('/api/v1/people/{name}/factor', { params: { path: { name } } }),
    onSuccess: again,
  });
  const remove = useMutation({
    mutationFn: (name: string) => client.DELETE('/api/v1/people/{name}', { params: { path: { name } } }),
    onSuccess: again,
  });
  return (
    <div className="page people">
      <header>
        <h1>People</h1>
        <span className="grow" />
        <RouteLink to="/history?kind=door">Who came in</RouteLink>
        <RouteLink to="/server">The server</RouteLink>
      </header>
      <p className="muted">
        Who may sign in, and what they may do. An administrator decides nothing about cutting data. Another role or a closed account counts
        at once: whoever is signed in with it is signed out. Passwords are known to nobody but those they belong to.
      </p>
      <Problem error={people.error ?? change.error ?? invite.error ?? unlock.error ?? remove.error} />
      {invited && <Link invitation={invited} onDone={() => setInvited(undefined)} />}
      <Table<Person>
        size="small"
        rowKey="name"
        pagination={false}
        loading={people.isPending || change.isPending}
        dataSource={people.data ?? []}
        rowClassName={(p) => (isClosed(p) ? 'closed' : '')}
        columns={[
          { title: 'Name', render: (_, p) => p.fullName || '—' },
          { title: 'Signs in as', dataIndex: 'name' },
          {
            title: 'Role',
            render: (_, p) =>
              isClosed(p) ? (
                p.role
              ) : (
                <Select
                  size="small"
                  aria-label={`Role of ${p.fullName}`}
                  value={p.role}
                  disabled={p.name === session?.name}
                  options={ROLES}
                  style={{ width: 124 }}
                  onChange={(role) => change.mutate({ ...p, role, disabled: false })}
                />
              ),
          },
          { title: 'Account', render: (_, p) => STANDS[p.stands] },
          ...(provider
            ? [
                {
                  title: `Comes in with ${provider}`,
                  render: (_: unknown, p: Person) =>
                    !isClosed(p) &&
                    p.role !== 'administrator' && (
                      <Checkbox
                        aria-label={`${p.fullName} may come in with ${provider}`}
                        checked={p.byProvider}
                        onChange={(e) => change.mutate({ ...p, disabled: false, byProvider: e.target.checked })}
                      />
                    ),
                },
              ]
            : []),
          { title: 'Second factor', render: (_, p) => (p.hasFactor ? 'on' : '') },
          {
            title: '',
            render: (_, p) =>
              p.name !== session?.name &&
              p.stands !== 'removed' && (
                <>
                  <Button size="small" type="text" onClick={() => change.mutate({ ...p, disabled: !isClosed(p) })}>
                    {isClosed(p) ? 'Open again' : 'Close'}
                  </Button>
                  {!isClosed(p) && (
                    <Button size="small" type="text" onClick={() => invite.mutate(p.name)}>
                      {p.stands === 'invited' ? 'Another link' : 'Link for a new password'}
                    </Button>
                  )}
                  {p.hasFactor && (
                    <Button size="small" type="text" onClick={() => unlock.mutate(p.name)}>
                      Take the second factor away
                    </Button>
                  )}
                  {isClosed(p) && (
                    <>
                      <Button size="small" type="text" href={`/api/v1/people/${encodeURIComponent(p.name)}/data`}>
                        What is kept
                      </Button>
                      <Button size="small" type="text" onClick={() => setLeaving(leaving === p.name ? undefined : p.name)}>
                        Remove the data…
                      </Button>
                      {leaving === p.name && (
                        <p className="sure">
                          Full name, mail address, password, second factor and kept views go for good. What was done as {p.name} stays in
                          the history under that name, which nobody gets again.{' '}
                          <Button size="small" danger onClick={() => remove.mutate(p.name)}>
                            Remove it
                          </Button>
                        </p>
                      )}
                    </>
                  )}
                </>
              ),
          },
        ]}
      />
      <h2>Add a person</h2>
      <form
        className="inline"
        onSubmit={(e) => {
          e.preventDefault();
          add.mutate();
        }}
      >
        <label>
          Full name <Input value={person.fullName} onChange={(e) => setPerson({ ...person, fullName: e.target.value })} />
        </label>
        <label>
          Signs in as <Input value={person.name} autoComplete="off" onChange={(e) => setPerson({ ...person, name: e.target.value })} />
        </label>
        <label>
          Role{' '}
          <Select
            aria-label="Role"
            value={person.role}
            options={ROLES}
            style={{ width: 140 }}
            onChange={(role) => setPerson({ ...person, role })}
          />
        </label>
        {provider && (
          <Checkbox checked={person.byProvider} onChange={(e) => setPerson({ ...person, byProvider: e.target.checked })}>
            Comes in with {provider}, under the same name
          </Checkbox>
        )}
        <Button type="primary" htmlType="submit" loading={add.isPending}>
          Add, and make a link
        </Button>
      </form>
      <p className="muted small">
        The sign-in name stays in the history for ever, also when the person has gone: take one that does not say who somebody is, if that
        matters to you.
      </p>
      <Refusals error={add.error} />
    </div>
  );
}

function isClosed(p: Person): boolean {
  return p.stands === 'closed' || p.stands === 'removed';
}

// Shown once: whoever has it gives the password.
function Link({ invitation: i, onDone }: { invitation: Invitation; onDone: () => void }) {
  const [copied, setCopied] = useState(false);
  return (
    <section className="card holdsbox" aria-label="Link" role="status">
      <p>
        With this link <b>{i.name}</b> gives a password of their own, once, until {moment(i.until)}. Hand it to them and to nobody else; it
        is not shown again, and links made before open nothing any more.
      </p>
      <div className="inline">
        <Input readOnly aria-label={`Link for ${i.name}`} value={i.link} onFocus={(e) => e.target.select()} />
        <Button onClick={() => void navigator.clipboard?.writeText(i.link).then(() => setCopied(true))}>
          {copied ? 'Copied' : 'Copy'}
        </Button>
        <Button type="text" onClick={onDone}>
          Done
        </Button>
      </div>
    </section>
  );
}
