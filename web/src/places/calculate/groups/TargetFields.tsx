import { Checkbox, Input, Select } from 'antd';
import { NumberField } from '../../../parts/NumberField';
import type { useSheetForm } from '../../../parts/useSheetForm';
import type { Schemas } from '../../../api/client';
import { ThreadChoice } from '../threads/ThreadChoice';
import { KINDS, type Group, type Target } from './words';

type Form = ReturnType<typeof useSheetForm<Group, Schemas['SheetOfHoleGroup']>>;
type Numbers = 'diameter' | 'depth' | 'chamfer' | 'seatDiameter' | 'seatDepth';

/** What each hole is to become. */
export function TargetFields(props: { target: Target; form: Form; refused: Record<string, string>; disabled: boolean }) {
  const { target, form, refused, disabled } = props;
  const put = (change: Partial<Target>) => form.setMany({ target: { ...target, ...change } });
  const number = (code: Numbers, label: string, symbol: string) => (
    <NumberField
      label={label}
      symbol={symbol}
      quantity="length"
      value={target[code]}
      typed={form.typed[`target.${code}`]}
      onTyped={(t) => t && form.set('target', { ...target, [code]: t.base }, t, `target.${code}`)}
      refused={refused[`target.${code}`]}
      disabled={disabled}
    />
  );
  const threaded = target.kind === 'threaded';
  return (
    <>
      <label className="line">
        Becomes a
        <Select
          aria-label="Becomes a"
          value={target.kind}
          disabled={disabled}
          onChange={(kind) => put({ kind })}
          options={Object.entries(KINDS).map(([value, label]) => ({ value, label }))}
        />
      </label>
      {threaded ? (
        <ThreadChoice
          title="Thread"
          chosen={target.thread ? { text: target.thread.text, ownId: target.thread.ownId } : undefined}
          refused={refused['target.thread']}
          disabled={disabled}
          onThread={(thread) => put({ thread })}
        />
      ) : (
        number('diameter', 'Diameter', 'D')
      )}
      {target.kind === 'tolerance' && (
        <label className="line">
          Tolerance
          <Input
            value={target.tolerance}
            placeholder="H7, ±0.02, +0.03/0"
            maxLength={24}
            disabled={disabled}
            onChange={(e) => put({ tolerance: e.target.value })}
          />
        </label>
      )}
      {number('depth', target.through ? 'Thickness of the work' : threaded ? 'Depth of thread' : 'Depth', 't')}
      {target.kind === 'counterbored' ? (
        <>
          {number('seatDiameter', 'Diameter of the seat', 'D_s')}
          {number('seatDepth', 'Depth of the seat', 't_s')}
        </>
      ) : null}
      {number('chamfer', target.kind === 'counterbored' ? 'Chamfer of the seat' : 'Chamfer on a side', 'c')}
      <Checkbox checked={target.through} disabled={disabled} onChange={(e) => put({ through: e.target.checked })}>
        goes through
      </Checkbox>
    </>
  );
}
