import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button, Input, Select, Table } from 'antd';
import { useState } from 'react';
import { ApiError, client, data, type Schemas } from '../../api/client';
import { Problem } from '../../parts/Problem';

const ROLES: Schemas['Role'][] = ['reader', 'engineer', 'approver', 'administrator'];
const EMPTY = { name: '', fullName: '', role: 'reader' as Schemas['Role'], password: '' };

/** The administrator's list of people. */
export function PeoplePage() {
  const queries = useQueryClient();
  const people = useQuery({ queryKey: ['people'], queryFn: () => data(client.GET('/api/v1/people')) });
  const [person, setPerson] = useState(EMPTY);
  const add = useMutation({
    mutationFn: () => data(client.POST('/api/v1/people', { body: person })),
    onSuccess: () => {
      setPerson(EMPTY);
      return queries.invalidateQueries({ queryKey: ['people'] });
    },
  });
  const refused = add.error instanceof ApiError ? add.error.byField : {};
  return (
    <div className="page">
      <h1>People</h1>
      <p className="muted">Who may sign in, and what they may do. An administrator decides nothing about cutting data.</p>
      <Problem error={people.error} />
      <Table
        size="small"
        rowKey="name"
        pagination={false}
        loading={people.isPending}
        dataSource={people.data ?? []}
        columns={[
          { title: 'Name', dataIndex: 'fullName' },
          { title: 'Signs in as', dataIndex: 'name' },
          { title: 'Role', dataIndex: 'role' },
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
            value={person.role}
            options={ROLES.map((r) => ({ value: r, label: r }))}
            onChange={(role) => setPerson({ ...person, role })}
          />
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
      {Object.values(refused).length === 0 ? (
        <Problem error={add.error} />
      ) : (
        Object.values(refused).map((s) => <Problem key={s} error={s} />)
      )}
    </div>
  );
}
