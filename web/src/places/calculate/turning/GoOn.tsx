import { Select } from 'antd';
import { attached } from '../../../api/beside';
import type { Schemas } from '../../../api/client';
import { useUnits } from '../../../parts/session';
import { useOperations } from '../../../parts/shelf';
import { readAddress, writeAddress, type Chosen } from '../address';
import type { Result } from '../page';
import type { Address } from '../useAddress';
import { useKept } from '../useKept';

/** A step that was gone on from, as an address. */
interface Done {
  /** Which work it belongs to. */
  work: string;
  operation: string;
  address: string;
}

/** Most steps of one work that are kept. */
const MOST = 30;

/**
 * Goes on with the work as this step leaves it: how it is held and what is left on it goes along. The steps before are kept in their order,
 * and each can be gone back to; going on from one of them puts new ones in the place of those after it.
 */
export function GoOn({ address, result }: { address: Address; result: Result }) {
  const units = useUnits();
  const operations = useOperations().data ?? [];
  const [kept, keep] = useKept<Done>('steps of the work');
  const steps = attached(result.attachments, 'goesOn')?.steps ?? [];
  const done = doneBefore(address.chosen, kept);
  if (steps.length === 0 && done.length === 0) return null;
  const name = (code: string) => operations.find((o) => o.code === code)?.name.toLowerCase() ?? code;
  return (
    <Select
      size="small"
      variant="borderless"
      aria-label="Go on with this work"
      placeholder={`${done.length > 0 ? `step ${done.length + 1} · ` : ''}go on with this work`}
      popupMatchSelectWidth={280}
      value={null}
      options={[
        ...(done.length > 0
          ? [
              {
                label: 'done before, in this order',
                options: done.map((d, i) => ({ value: -1 - i, label: `${i + 1} ${name(d.operation)}` })),
              },
            ]
          : []),
        { label: 'goes on with', options: steps.map((s, i) => ({ value: i, label: s.words })) },
      ]}
      onChange={(i: number) => {
        if (i < 0) return address.replace('back to a step', readAddress(done[-1 - i]!.address));
        const step = steps[i]!;
        const work = done[0]?.work ?? Date.now().toString(36);
        const here = { ...address.chosen, step: `${work}.${done.length + 1}` };
        keep(() => [...done, { work, operation: here.operation ?? '', address: writeAddress(here) }].slice(-MOST));
        const fields = operations.find((o) => o.code === step.operation)?.fields ?? [];
        const next = Math.min(done.length + 1, MOST) + 1;
        address.change(`go on with ${step.operation}`, (c) => ({ ...onwards(c, step, fields, units), step: `${work}.${next}` }));
      }}
    />
  );
}

// The steps of the same work that lie before this one; none where those kept are of another.
function doneBefore(chosen: Chosen, kept: readonly Done[]): readonly Done[] {
  const [work, step] = (chosen.step ?? '').split('.');
  const before = Number(step) - 1;
  return before > 0 && before <= kept.length && kept[0]!.work === work ? kept.slice(0, before) : [];
}

function onwards(
  chosen: Chosen,
  step: Schemas['NextStep'],
  fields: Schemas['OperationDescription']['fields'],
  units: ReturnType<typeof useUnits>,
): Partial<Chosen> {
  return {
    operation: step.operation,
    numbers: Object.fromEntries(
      fields
        .filter((f) => step.numbers[f.code] !== undefined)
        .map((f) => {
          const base = step.numbers[f.code]!;
          return [f.code, { text: units.editable(base, f.quantity), system: units.system, base }];
        }),
    ),
    picks: { ...step.options },
    outline: step.withOutline ? chosen.outline : [],
    thread: undefined,
    record: undefined,
    version: undefined,
    note: undefined,
  };
}
