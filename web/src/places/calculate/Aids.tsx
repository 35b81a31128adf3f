import { useMutation, useQuery } from '@tanstack/react-query';
import { Button, Select } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { client, data, type Schemas } from '../../api/client';
import { useUnits } from '../../parts/session';
import { useMethods } from '../../parts/shelf';
import type { Cutter } from '../../parts/shelf';
import { NOTHING, writeAddress, type Chosen } from './address';
import { KeptSituations } from './KeptSituations';
import { asTyped, type Page } from './page';
import { GoOn } from './turning/GoOn';
import type { Address } from './useAddress';
import type { Situation } from './useSituation';

const LEAVES_STOCK = ['side-rough', 'pocket'];
const LEAVES_A_HOLE = ['drill', 'deep-hole', 'bore', 'fine-bore', 'ream', 'helical-entry', 'helical-bore'];

// A step before it is among the last that were worked on.
const MOST_LEFTOVERS = 200;

interface Props {
  situation: Situation;
  operation: Schemas['OperationDescription'];
  body: Schemas['CalculationRequest'];
  result: Page['result'] | undefined;
  cutter: Cutter | undefined;
  address: Address;
}

/** What helps to find values: a method, the best point, and what the step before left. */
export function Aids({ situation, operation, body, result, cutter, address }: Props) {
  const units = useUnits();
  const limits = result?.limits ?? [];
  const [said, setSaid] = useState<{ text: string; grave?: boolean; back?: Chosen } | null>(null);
  const [asked, setAsked] = useState(false);
  const methods = useMethods();
  const path = { operation: situation.operation };
  const names = new Map<string, string>(operation.fields.map((f) => [f.code, f.name.replace(/, at most$/, '')]));
  const leaves = operation.takes === 'hole' ? LEAVES_A_HOLE : LEAVES_STOCK;
  const records = useQuery({
    queryKey: ['records', 'list', 'leftovers', situation.materialId],
    queryFn: () => data(client.GET('/api/v1/records', { params: { query: { material: situation.materialId, take: MOST_LEFTOVERS } } })),
    enabled: asked || Boolean(body.leftover),
  });

  const { DC, TDZ, DCX } = cutter?.dimensions ?? {};
  const { numbers, picks } = address.chosen;
  const size = DC ?? TDZ ?? DCX;
  const methodAddress = `${writeAddress({ ...NOTHING, operation: operation.code, numbers, picks })}${size ? `&d=${size}` : ''}`;

  // What the part is stays; all else is proposed again.
  const proposed = (code: string) => numbers[code]?.by !== undefined || operation.fields.some((f) => f.code === code && f.role !== 'part');
  const backToProposals = () => {
    const back = address.chosen;
    address.change('proposals', (c) => ({
      numbers: Object.fromEntries(Object.entries(c.numbers).filter(([code]) => !proposed(code))),
      method: undefined,
    }));
    setSaid({ text: 'All values are proposed again.', back });
  };

  const apply = useMutation({
    mutationFn: (id: number) =>
      data(
        client.POST('/api/v1/calculations/{operation}/methods/{id}', {
          params: { path: { ...path, id } },
          body: { ...body, numbers: {}, options: {} },
        }),
      ),
    onSuccess: ({ choices, notApplied }) => {
      // What was typed for the way gives way to the method; what was typed for the part stays.
      const way = operation.fields.filter((f) => f.role !== 'part' && !(f.code in choices.numbers)).map((f): string => f.code);
      const back = address.chosen;
      address.change('method', (c) => {
        const kept = Object.entries(c.numbers).filter(([code]) => !way.includes(code));
        return {
          numbers: { ...Object.fromEntries(kept), ...asTyped(choices.numbers, operation, units, 'method') },
          picks: { ...c.picks, ...choices.options },
          ...(choices.method ? { method: choices.method } : {}),
        };
      });
      setSaid({
        text:
          notApplied.length === 0
            ? `${choices.method} applied.`
            : `${choices.method} applied, except: ${notApplied.map((n) => `${names.get(n.field) ?? n.field}: ${n.reason}`).join(' ')}`,
        grave: notApplied.length > 0,
        back,
      });
    },
    onError: (e) => setSaid({ text: e.message, grave: true }),
  });

  const best = useMutation({
    mutationFn: (aim: 'removal' | 'time') =>
      data(client.POST('/api/v1/calculations/{operation}/best', { params: { path, query: { aim } }, body })),
    onSuccess: (point, aim) => {
      if (!point.found) {
        setSaid({ text: `There is no point inside all limits. ${point.reason}`, grave: true });
        return;
      }
      // What was typed to be kept stays typed.
      const found = asTyped(
        Object.fromEntries(point.values.filter((v) => numbers[v.code]?.base !== v.value).map((v) => [v.code, v.value])),
        operation,
        units,
        'best',
      );
      address.change('best', (c) => ({ numbers: { ...c.numbers, ...found } }));
      const held = point.binding.map((k) => limits.find((l) => l.kind === k)?.name.toLowerCase() ?? k);
      setSaid({
        text: [
          aim === 'time'
            ? 'Least time inside all limits.'
            : `Most removal inside all limits: ${units.text(point.removalRate, 'removalRate')}.`,
          held.length > 0 ? `Held by: ${held.join(', ')}.` : '',
          point.reason,
          point.notJudged.length > 0
            ? `Not judged for lack of data: ${point.notJudged.map((k) => limits.find((l) => l.kind === k)?.name.toLowerCase() ?? k).join(', ')}.`
            : '',
        ].join(' '),
      });
    },
    onError: (e) => setSaid({ text: e.message, grave: true }),
  });

  const leftover = useMutation({
    mutationFn: (number: string) => data(client.GET('/api/v1/records/{number}/leftover', { params: { path: { number } } })),
    onSuccess: (l) => {
      address.change('leftover', { leftover: { record: l.record, revision: l.revision } });
      setSaid({
        text:
          l.kind === 'hole'
            ? `${l.record} leaves a hole of Ø${units.size(l.cutterDiameter)}.`
            : `${l.record} leaves ${units.text(l.across, 'length')} on the wall, cut with Ø${units.size(l.cutterDiameter)}.`,
      });
    },
    onError: (e) => setSaid({ text: e.message, grave: true }),
  });

  const own = (methods.data ?? []).filter((m) => m.definition.operation === operation.code);
  const others = (methods.data ?? []).filter((m) => m.definition.operation !== operation.code);
  const option = (m: (typeof own)[number]) => ({ value: m.id, label: m.definition.name });
  return (
    <div className="aids">
      <Select
        size="small"
        variant="borderless"
        aria-label="Method"
        showSearch={{ optionFilterProp: 'label' }}
        placeholder="apply a method"
        value={null}
        popupMatchSelectWidth={280}
        loading={apply.isPending}
        onChange={(id: number | null) => id && apply.mutate(id)}
        options={[
          ...(own.length > 0 ? [{ label: `for ${operation.name.toLowerCase()}`, options: own.map(option) }] : []),
          ...(others.length > 0 ? [{ label: 'for other operations', options: others.map(option) }] : []),
        ]}
      />
      <Link to={`/shop/methods/new?${methodAddress}`}>save as method</Link>
      <KeptSituations address={address} />
      <Link to="/calculate/groups">hole groups</Link>
      {operation.takes && (
        <Select
          size="small"
          variant="borderless"
          aria-label="Leftover of the step before"
          showSearch={{ optionFilterProp: 'label' }}
          placeholder="take the leftover of a record"
          allowClear
          value={body.leftover ? body.leftover.record : null}
          onOpenChange={(open) => open && setAsked(true)}
          popupMatchSelectWidth={340}
          onChange={(number: string | null | undefined) =>
            number ? leftover.mutate(number) : address.change('leftover', { leftover: undefined })
          }
          options={(records.data?.rows ?? [])
            .filter((r) => leaves.includes(r.situation.operation))
            .map((r) => ({
              value: r.number,
              label: `${r.number} · ${r.situation.operationName}, ${r.situation.material}, ${r.situation.assembly}`,
            }))}
        />
      )}
      {result && <GoOn address={address} result={result} />}
      {operation.free.length > 0 && (
        <span className="best">
          best point:
          {operation.loadOverTurn && (
            <Button size="small" type="link" loading={best.isPending} onClick={() => best.mutate('removal')}>
              most removal
            </Button>
          )}
          <Button size="small" type="link" loading={best.isPending} onClick={() => best.mutate('time')}>
            least time
          </Button>
        </span>
      )}
      {Object.keys(numbers).some(proposed) && (
        <Button size="small" type="link" onClick={backToProposals}>
          all back to proposals
        </Button>
      )}
      <span role="status" className={said?.grave ? 'said grave' : 'said'} title={said?.text}>
        {said?.text}
      </span>
      {said?.back !== undefined && (
        <Button
          size="small"
          type="link"
          onClick={() => {
            address.replace('take back', said.back!);
            setSaid(null);
          }}
        >
          take it back
        </Button>
      )}
      {said && (
        <button className="why" aria-label="Clear this message" onClick={() => setSaid(null)}>
          ×
        </button>
      )}
    </div>
  );
}
