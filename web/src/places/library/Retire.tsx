import { useMutation, useQuery } from '@tanstack/react-query';
import { Button, Checkbox, Select } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { client, data } from '../../api/client';
import { useUnits } from '../../parts/session';
import { Problem } from '../../parts/Problem';
import { cutterWords, pickedFrom, useFamilies, usePicks, useSheet, useShelfChanged, type CutterSheet } from '../../parts/shelf';

/** Takes a cutter out of use, and puts another into its assemblies where that one fits. */
export function Retire({ sheet }: { sheet: CutterSheet }) {
  const units = useUnits();
  const shelfChanged = useShelfChanged();
  const families = useFamilies().data;
  const [open, setOpen] = useState(false);
  const [text, setText] = useState('');
  const [by, setBy] = useState<number>();
  const [left, setLeft] = useState<number[]>([]);
  const picks = usePicks('cutters', { q: text, family: sheet.definition.family! }, open);
  const replacement = useSheet('cutters', sheet.definition.replacedById || undefined);
  const moves = useQuery({
    queryKey: ['cutters', sheet.id, 'replacing', by],
    queryFn: () =>
      data(client.GET('/api/v1/library/cutters/{id}/replacing/{replacement}', { params: { path: { id: sheet.id, replacement: by! } } })),
    enabled: by !== undefined,
  });
  const chosen = (moves.data ?? []).filter((m) => m.faults.length === 0 && !left.includes(m.id));
  const retire = useMutation({
    mutationFn: () =>
      data(
        client.POST('/api/v1/library/cutters/{id}/retire', {
          params: { path: { id: sheet.id } },
          headers: { 'If-Match': `"${sheet.revision}"` },
          body: { replacementId: by ?? 0, assemblies: chosen.map((m) => ({ id: m.id, revision: m.revision })) },
        }),
      ),
    onSuccess: async () => {
      setOpen(false);
      await shelfChanged();
    },
  });

  if (sheet.definition.retired)
    return sheet.definition.replacedById ? (
      <p>
        Replaced by <Link to={`/library/cutters/${sheet.definition.replacedById}`}>{replacement.data?.definition.number ?? '…'}</Link>
      </p>
    ) : null;
  if (!open)
    return (
      <p>
        <Button size="small" onClick={() => setOpen(true)}>
          Retire or replace it
        </Button>
      </p>
    );
  return (
    <section className="card retire">
      <h2>Retire {sheet.definition.number}</h2>
      <label className="line">
        Replaced by
        <Select
          allowClear
          aria-label="Replaced by"
          placeholder="nothing"
          showSearch={{ filterOption: false, onSearch: setText }}
          popupMatchSelectWidth={330}
          value={by}
          onChange={(v: number | undefined) => {
            setBy(v);
            setLeft([]);
          }}
          options={pickedFrom(picks, text)
            .filter((r) => r.sheet.id !== sheet.id)
            .map((r) => ({
              value: r.sheet.id,
              label: `${r.sheet.definition.number}  ${cutterWords(r.sheet.definition, r.sheet.looks, (mm) => units.size(mm), families)}`,
            }))}
        />
      </label>
      {moves.data?.map((m) => (
        <div key={m.id}>
          <Checkbox
            disabled={m.faults.length > 0}
            checked={m.faults.length === 0 && !left.includes(m.id)}
            onChange={(e) => setLeft(e.target.checked ? left.filter((x) => x !== m.id) : [...left, m.id])}
          >
            into {m.number}
          </Checkbox>
          {m.faults.map((f) => (
            <p key={f.field} className="refusal">
              {f.sentence}
            </p>
          ))}
        </div>
      ))}
      <Problem error={retire.error} />
      <p className="muted small">Records that rest on it stay as they are and say that they are stale.</p>
      <Button type="primary" loading={retire.isPending} onClick={() => retire.mutate()}>
        {chosen.length > 0 ? `Retire it and put the other into ${chosen.length}` : 'Retire it'}
      </Button>{' '}
      <Button onClick={() => setOpen(false)}>Keep it</Button>
    </section>
  );
}
