import { Select } from 'antd';
import { attached } from '../../../api/beside';
import { useUnits } from '../../../app/session';
import { useOperations } from '../../../parts/shelf';
import type { Result } from '../page';
import type { Address } from '../useAddress';

/** Goes on with the work as this step leaves it: how it is held and what is left on it goes along; a step back undoes it. */
export function GoOn({ address, result }: { address: Address; result: Result }) {
  const units = useUnits();
  const operations = useOperations().data ?? [];
  const steps = attached(result.attachments, 'goesOn')?.steps ?? [];
  if (steps.length === 0) return null;
  return (
    <Select
      size="small"
      variant="borderless"
      aria-label="Go on with this work"
      placeholder="go on with this work"
      popupMatchSelectWidth={280}
      value={null}
      options={steps.map((s, i) => ({ value: i, label: s.words }))}
      onChange={(i: number) => {
        const step = steps[i]!;
        const fields = operations.find((o) => o.code === step.operation)?.fields ?? [];
        address.change(`go on with ${step.operation}`, (c) => ({
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
          outline: step.withOutline ? c.outline : [],
          thread: undefined,
          record: undefined,
          version: undefined,
          note: undefined,
        }));
      }}
    />
  );
}
