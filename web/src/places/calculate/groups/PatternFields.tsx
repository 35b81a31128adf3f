import { Input, Select } from 'antd';
import { useState } from 'react';
import type { Schemas } from '../../../api/client';
import { NumberField } from '../../../parts/NumberField';
import type { useSheetForm } from '../../../parts/useSheetForm';
import { ReadPositions } from './ReadPositions';
import { FORMS, type Group, type Pattern } from './words';

type Form = ReturnType<typeof useSheetForm<Group, Schemas['SheetOfHoleGroup']>>;
type Numbers = 'diameter' | 'count' | 'rows' | 'angle' | 'lastAngle' | 'step' | 'rowStep';

/** How the holes lie to each other. */
export function PatternFields(props: { pattern: Pattern; form: Form; refused: Record<string, string>; disabled: boolean }) {
  const { pattern, form, refused, disabled } = props;
  const put = (change: Partial<Pattern>) => form.setMany({ pattern: { ...pattern, ...change } });
  const number = (code: Numbers, label: string, symbol: string, quantity: Schemas['Quantity']) => (
    <NumberField
      label={label}
      symbol={symbol}
      quantity={quantity}
      value={pattern[code]}
      typed={form.typed[`pattern.${code}`]}
      onTyped={(t) =>
        t && form.set('pattern', { ...pattern, [code]: quantity === 'count' ? Math.round(t.base) : t.base }, t, `pattern.${code}`)
      }
      refused={refused[`pattern.${code}`]}
      disabled={disabled}
    />
  );
  const axis = (code: 'x' | 'y', label: string) => (
    <NumberField
      label={label}
      symbol={code}
      quantity="length"
      value={pattern.start![code]}
      typed={form.typed[`pattern.start.${code}`]}
      onTyped={(t) => t && form.set('pattern', { ...pattern, start: { ...pattern.start!, [code]: t.base } }, t, `pattern.start.${code}`)}
      refused={refused[`pattern.start.${code}`]}
      disabled={disabled}
    />
  );
  const round = pattern.form === 'circle' || pattern.form === 'arc';
  return (
    <>
      <label className="line">
        Pattern
        <Select
          aria-label="Pattern"
          value={pattern.form}
          disabled={disabled}
          onChange={(form) => put({ form })}
          options={Object.entries(FORMS).map(([value, label]) => ({ value, label }))}
        />
      </label>
      {pattern.form === 'typed' ? (
        <Positions key={JSON.stringify(pattern.typed).length} pattern={pattern} put={put} refused={refused} disabled={disabled} />
      ) : (
        <>
          {axis('x', round ? 'Centre' : 'First hole')}
          {axis('y', round ? 'Centre' : 'First hole')}
          {round && number('diameter', 'Diameter of the circle', 'D_c', 'length')}
          {number('count', pattern.form === 'grid' ? 'Columns' : 'Holes', 'i', 'count')}
          {pattern.form === 'grid' && number('rows', 'Rows', 'i_r', 'count')}
          {!round && number('step', 'Step', 's', 'length')}
          {pattern.form === 'grid' && number('rowStep', 'Step of the rows', 's_r', 'length')}
          {number('angle', round ? 'Angle of the first' : 'Angle against x', 'φ', 'angle')}
          {pattern.form === 'arc' && number('lastAngle', 'Angle of the last', 'φ_e', 'angle')}
        </>
      )}
    </>
  );
}

/** Positions as lines of x and y; what cannot be read stays and is said. */
function Positions(props: {
  pattern: Pattern;
  put: (change: Partial<Pattern>) => void;
  refused: Record<string, string>;
  disabled: boolean;
}) {
  const { pattern, put, refused, disabled } = props;
  const [text, setText] = useState<string | null>(null);
  const [said, setSaid] = useState('');
  const lines = pattern.typed!.map((p) => `${+p.x.toFixed(4)} ; ${+p.y.toFixed(4)}`).join('\n');
  function take() {
    if (text === null) return;
    const rows = text.split('\n').filter((l) => l.trim());
    const read = rows.map((l) =>
      l
        .split(/[;\t]|\s*,\s+|\s+/)
        .filter(Boolean)
        .map((n) => Number(n.replace(',', '.'))),
    );
    const bad = read.findIndex((p) => p.length !== 2 || !p.every(Number.isFinite));
    if (bad >= 0) {
      setSaid(`Line ${bad + 1}, “${rows[bad]!.trim()}”, is not two numbers; write x ; y in mm.`);
      return;
    }
    setSaid('');
    setText(null);
    put({ typed: read.map(([x, y]) => ({ x: x!, y: y! })) });
  }
  const refusal = said || Object.entries(refused).find(([field]) => field.startsWith('pattern.typed'))?.[1];
  return (
    <>
      <Input.TextArea
        aria-label="Positions, x ; y in mm, one hole a line"
        placeholder="x ; y in mm, one hole a line"
        rows={6}
        className="mono"
        disabled={disabled}
        value={text ?? lines}
        status={refusal ? 'error' : ''}
        onChange={(e) => setText(e.target.value)}
        onBlur={take}
      />
      {refusal && (
        <p className="refusal" role="alert">
          {refusal}
        </p>
      )}
      {!disabled && <ReadPositions onTake={(typed) => put({ typed })} />}
    </>
  );
}
