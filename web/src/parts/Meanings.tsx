import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { client, data, type Schemas } from '../api/client';
import { useUnits } from './session';
import { Problem } from './Problem';
import { Sym } from './Sym';

type Meaning = Schemas['Meaning'];

/** What each field of a thing means, from the descriptions in the code; fetched when somebody asks. */
export function FieldMeanings({ kind, names }: { kind: string; names: Partial<Record<string, string>> }) {
  const [open, setOpen] = useState(false);
  const asked = useQuery({
    queryKey: ['meanings', kind],
    queryFn: () => data(client.GET('/api/v1/meanings/kinds/{kind}', { params: { path: { kind } } })),
    enabled: open,
    staleTime: Infinity,
  });
  return (
    <details className="how meanings" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>What each field means</summary>
      <Problem error={asked.error} />
      <List meanings={(asked.data ?? []).map((m) => ({ ...m, name: m.name || names[m.code] || '' })).filter((m) => m.name)} />
    </details>
  );
}

/** What the fields, figures and limits of an operation mean. */
export function OperationMeanings({ operation, limits }: { operation: string; limits: readonly string[] }) {
  const [open, setOpen] = useState(false);
  const asked = useQuery({
    queryKey: ['meanings', 'operation', operation],
    queryFn: () => data(client.GET('/api/v1/meanings/operations/{operation}', { params: { path: { operation } } })),
    enabled: open,
    staleTime: Infinity,
  });
  return (
    <details className="how meanings" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>What every field, figure and limit means</summary>
      <Problem error={asked.error} />
      {asked.data && (
        <>
          <h3>Fields</h3>
          <List meanings={asked.data.fields} />
          <h3>Figures</h3>
          <List meanings={asked.data.figures} />
          <h3>Limits</h3>
          <List meanings={asked.data.limits.filter((l) => limits.includes(l.code))} />
        </>
      )}
    </details>
  );
}

function List({ meanings }: { meanings: readonly Meaning[] }) {
  const units = useUnits();
  return (
    <table>
      <tbody>
        {meanings.map((m) => (
          <tr key={m.code}>
            <td>{m.name}</td>
            <td>{m.symbol && <Sym text={m.symbol} />}</td>
            <td className="mono">{m.quantity ? units.unit(m.quantity) : ''}</td>
            <td>
              {m.means}
              {m.cure && <span className="muted"> If it is exceeded: {m.cure}</span>}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
