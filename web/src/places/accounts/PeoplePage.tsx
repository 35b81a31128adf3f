import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button, Input, Select, Table } from 'antd';
import { useState } from 'react';
import { client, data, type Schemas } from '../../api/client';
import { useApp } from '../../app/session';
import { Problem, Refusals } from '../../parts/Problem';

type Person = Schemas['PersonView'];
const ROLES = (['reader', 'engineer', 'approver', 'administrator'] as const).map((r) => ({ value: r, label: r }));
const EMPTY = { name: '', fullName: '', role: 'reader' as Schemas['Role'], password: '' };

/** The administrator's list of people: who may sign in, and what they may do. */
export function PeoplePage() {
  const queries = useQueryClient();
  const { session } = useApp();
  const people = useQuery({ queryKey: ['people'], queryFn: () => data(client.GET('/api/v1/people')) });
  const [person, setPerson] = useState(EMPTY);
  const [resetting, setResetting] = useState<string | null>(null);
  const again = () => queries.invalidateQueries({ queryKey: ['people'] });
  const add = useMutation({
    mutationFn: () => data(client.POST('/api/v1/people', { body: person })),
    onSuccess: () => {
      setPerson(EMPTY);
      return again();
    },
  });
  const change = useMutation({
    mutationFn: ({ name, fullName, role, disabled }: Person) =>
      data(client.PUT('/api/v1/people/{name}', { params: { path: { name } }, body: { fullName, role, disabled } })),
    onSuccess: again,
  });
  const unlock = useMutation({
    mutationFn: (name: string) => client.DELETE('/api/v1/people/{name}/factor', { params: { path: { name } } }),
    onSuccess: again,
  });
  return (
    <div className="page">
      <h1>People</h1>
      <p className="muted">
        Who may sign in, and what they may do. An administrator decides nothing about cutting data. Another role, a closed account or a new
        password counts at once: whoever is signed in with it is signed out.
      </p>
      <Problem error={people.error ?? change.error ?? unlock.error} />
      <Table<Person>
        size="small"
        rowKey="name"
        pagination={false}
        loading={people.isPending || change.isPending}
        dataSource={people.data ?? []}
        rowClassName={(p) => (p.disabled ? 'closed' : '')}
        columns={[
          { title: 'Name', dataIndex: 'fullName' },
          { title: 'Signs in as', dataIndex: 'name' },
          {
            title: 'Role',
            render: (_, p) => (
              <Select
                size="small"
                aria-label={`Role of ${p.fullName}`}
                value={p.role}
                disabled={p.name === session?.name}
                options={ROLES}
                onChange={(role) => change.mutate({ ...p, role })}
              />
            ),
          },
          { title: 'Stands', render: (_, p) => (p.disabled ? 'closed' : 'open') },
          { title: 'Second factor', render: (_, p) => (p.hasFactor ? 'on' : '') },
          {
            title: '',
            render: (_, p) =>
              p.name !== session?.name && (
                <>
                  <Button size="small" type="text" onClick={() => change.mutate({ ...p, disabled: !p.disabled })}>
                    {p.disabled ? 'Open again' : 'Close the account'}
                  </Button>{' '}
                  <Button size="small" type="text" onClick={() => setResetting(resetting === p.name ? null : p.name)}>
                    New password…
                  </Button>
                  {p.hasFactor && (
                    <Button size="small" type="text" onClick={() => unlock.mutate(p.name)}>
                      Take the second factor away
                    </Button>
                  )}
                  {resetting === p.name && <Reset name={p.name} onDone={() => setResetting(null)} />}
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
          Role <Select value={person.role} options={ROLES} onChange={(role) => setPerson({ ...person, role })} />
        </label>
        <label>
          First password{' '}
          <Input.Password
            value={person.password}
            autoComplete="new-password"
            onChange={(e) => setPerson({ ...person, password: e.target.value })}
          />
        </label>
        <Button type="primary" htmlType="submit" loading={add.isPending}>
          Add
        </Button>
      </form>
      <Refusals error={add.error} />
    </div>
  );
}

function Reset({ name, onDone }: { name: string; onDone: () => void }) {
  const [password, setPassword] = useState('');
  const reset = useMutation({
    mutationFn: () => client.POST('/api/v1/people/{name}/password', { params: { path: { name } }, body: { password } }),
    onSuccess: onDone,
  });
  return (
    <form
      className="inline"
      onSubmit={(e) => {
        e.preventDefault();
        reset.mutate();
      }}
    >
      <label>
        New password for {name}{' '}
        <Input.Password autoFocus value={password} autoComplete="new-password" onChange={(e) => setPassword(e.target.value)} />
      </label>
      <Button size="small" type="primary" htmlType="submit" loading={reset.isPending}>
        Give it
      </Button>
      <Refusals error={reset.error} />
    </form>
  );
}
