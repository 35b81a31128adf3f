import { useMutation } from '@tanstack/react-query';
import { Button, Input, Select } from 'antd';
import { useEffect, useState } from 'react';
import { client, data, type Schemas } from '../../api/client';
import { useUnits } from '../../parts/session';
import { loadSums } from '../../parts/sums';
import { readAlone } from '../../parts/typed';
import type { Quantity } from '../../parts/units';
import { text as shown, fieldWords } from '../../parts/differences';
import { Problem } from '../../parts/Problem';
import { cuttingMaterialWords, useShelfChanged, type Family, type ListName } from '../../parts/shelf';

interface Choice {
  field: string;
  name: string;
  quantity?: Quantity;
  picks?: { value: string; label: string }[];
}
const YES = [
  { value: 'true', label: 'yes' },
  { value: 'false', label: 'no' },
];
const GROUPS = ['P', 'M', 'K', 'N', 'S', 'H'];

const CHOICES: Record<ListName, Choice[]> = {
  cutters: [
    { field: 'coating', name: 'Coating' },
    { field: 'grade', name: 'Grade' },
    {
      field: 'material',
      name: 'Cutting material',
      picks: Object.entries(cuttingMaterialWords).map(([value, label]) => ({ value, label })),
    },
    { field: 'throughCoolant', name: 'Coolant through it', picks: YES },
    { field: 'groups', name: 'May cut' },
    { field: 'regrinds', name: 'Regrinds left', quantity: 'count' },
    { field: 'remarks', name: 'Remarks' },
  ],
  holders: [
    { field: 'kind', name: 'Kind' },
    { field: 'interface', name: 'Interface' },
    { field: 'largestSpeed', name: 'Greatest speed', quantity: 'spindleSpeed' },
    { field: 'balanceClass', name: 'Balance class G', quantity: 'ratio' },
    { field: 'seatCompliance', name: 'Tilt of the seat', quantity: 'ratio' },
    { field: 'throughCoolant', name: 'Coolant through it', picks: YES },
    { field: 'retired', name: 'Retired', picks: YES },
    { field: 'remarks', name: 'Remarks' },
  ],
  assemblies: [
    { field: 'stockPlace', name: 'Kept in' },
    { field: 'retired', name: 'Retired', picks: YES },
  ],
};

interface Props {
  list: ListName;
  ids: number[];
  families: readonly Family[] | undefined;
  onClose: () => void;
}

/** Changes one field in many rows: first a preview of every change, then all or nothing, then one undo. */
export function Many({ list, ids, families, onClose }: Props) {
  useEffect(() => void loadSums(), []);
  const units = useUnits();
  const shelfChanged = useShelfChanged();
  const [field, setField] = useState(CHOICES[list][0]!.field);
  const [text, setText] = useState('');
  const [refused, setRefused] = useState('');
  const [batch, setBatch] = useState<Schemas['BatchView']>();
  const dimensions: Choice[] =
    list !== 'cutters'
      ? []
      : [...new Map((families ?? []).flatMap((f) => f.dimensions.map((d) => [d.dimension.symbol, d.dimension]))).values()].map((d) => ({
          field: `dimensions.${d.symbol}`,
          name: `${d.symbol}, ${d.name}`,
          quantity: d.quantity,
        }));
  const choices = [...CHOICES[list], ...dimensions];
  const choice = choices.find((c) => c.field === field)!;
  const changes = (): Record<string, unknown> | undefined => {
    if (choice.field === 'groups') return { groups: GROUPS.filter((g) => text.toUpperCase().includes(g)) };
    if (choice.picks) return { [field]: text === 'true' || text === 'false' ? text === 'true' : text };
    if (!choice.quantity) return { [field]: text };
    const reading = readAlone(text, choice.quantity, units);
    if ('refused' in reading) {
      setRefused(reading.refused);
      return undefined;
    }
    return { [field]: reading.base };
  };
  const path = (rest: string) => `/api/v1/library/${list}/many${rest}`;
  const preview = useMutation({
    mutationFn: async (body: { changes: Record<string, unknown> }) =>
      data(client.POST(path('/preview') as '/api/v1/library/cutters/many/preview', { body: { ids, changes: body.changes as never } })),
  });
  const rows = preview.data ?? [];
  const changing = rows.filter((r) => r.changes.length > 0 && r.faults.length === 0);
  const faulty = rows.filter((r) => r.faults.length > 0);
  const after = async (view: Schemas['BatchView']) => {
    setBatch(view);
    preview.reset();
    await shelfChanged();
  };
  const apply = useMutation({
    mutationFn: async () =>
      data(
        client.POST(path('') as '/api/v1/library/cutters/many', {
          body: { seen: changing.map((r) => ({ id: r.id, revision: r.revision })), changes: preview.variables!.changes as never },
        }),
      ),
    onSuccess: after,
  });
  const undo = useMutation({
    mutationFn: () =>
      data(client.POST(path('/{batch}/undo') as '/api/v1/library/cutters/many/{batch}/undo', { params: { path: { batch: batch!.id } } })),
    onSuccess: after,
  });
  return (
    <section className="card many" aria-label="Change in all chosen rows">
      <form
        onSubmit={(e) => {
          e.preventDefault();
          setRefused('');
          setBatch(undefined);
          const wanted = changes();
          if (wanted) preview.mutate({ changes: wanted });
        }}
      >
        <Select
          aria-label="Field to change"
          showSearch={{ optionFilterProp: 'label' }}
          value={field}
          popupMatchSelectWidth={260}
          onChange={(f) => {
            setField(f);
            setText('');
            preview.reset();
          }}
          options={choices.map((c) => ({ value: c.field, label: c.name }))}
          style={{ width: 190 }}
        />
        <span>becomes</span>
        {choice.picks ? (
          <Select aria-label="New value" value={text || undefined} onChange={setText} options={choice.picks} style={{ width: 150 }} />
        ) : (
          <Input
            aria-label="New value"
            value={text}
            placeholder={choice.field === 'groups' ? 'PMK' : choice.quantity ? units.unit(choice.quantity) : ''}
            onChange={(e) => setText(e.target.value)}
            style={{ width: 200 }}
          />
        )}
        <Button htmlType="submit" loading={preview.isPending}>
          Show what changes
        </Button>
        <Button type="text" onClick={onClose}>
          Close
        </Button>
      </form>
      <Problem error={refused || preview.error || apply.error || undo.error} />
      {batch && (
        <p role="status">
          {batch.takesBack ? 'Taken back' : 'Changed'} in {batch.count}.{' '}
          {!batch.takesBack && (
            <Button size="small" loading={undo.isPending} onClick={() => undo.mutate()}>
              Undo all of it
            </Button>
          )}
        </p>
      )}
      {preview.data && (
        <>
          <p>
            {changing.length} of {rows.length} change{faulty.length > 0 && `, ${faulty.length} cannot take it and stay as they are`}.
          </p>
          <div className="scroll many-rows" tabIndex={0} aria-label="Preview">
            <table>
              <tbody>
                {[...faulty, ...changing].slice(0, 300).map((r) => (
                  <tr key={r.id}>
                    <td>{r.number}</td>
                    <td className="mono">
                      {r.changes.map((c) => (
                        <div key={c.field}>
                          {fieldWords({}, c.field)}: {shown(c.from)} → {shown(c.to)}
                        </div>
                      ))}
                    </td>
                    <td className="refusal">{r.faults.map((f) => f.sentence).join(' ')}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          <Button type="primary" disabled={changing.length === 0} loading={apply.isPending} onClick={() => apply.mutate()}>
            Change {changing.length}
          </Button>
        </>
      )}
    </section>
  );
}
