import { Input, Select } from 'antd';
import { useEffect, useState } from 'react';
import type { Schemas } from '../../../api/client';
import { useUnits } from '../../../parts/session';
import { NumberField } from '../../../parts/NumberField';
import { loadSums } from '../../../parts/sums';
import type { useSheetForm } from '../../../parts/useSheetForm';
import { lineOf, readLines } from './positions';
import { ReadPositions } from './ReadPositions';
import { FORMS, type Group, type Pattern } from './words';

type Form = ReturnType<typeof useSheetForm<Group, Schemas['SheetOfHoleGroup']>>;
type Numbers = 'diameter' | 'count' | 'rows' | 'angle' | 'lastAngle' | 'step' | 'rowStep';

/** How the holes lie to each other. */
export function PatternFields(props: { pattern: Pattern; form: Form; refused: Record<string, string>; disabled: boolean }) {
  const { pattern, form, refused, disabled } = props;
  useEffect(() => void loadSums(), []);
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
        <Positions pattern={pattern} put={put} refused={refused} disabled={disabled} />
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
  const units = useUnits();
  const [text, setText] = useState<string | null>(null);
  const [said, setSaid] = useState('');
  const words = `x ; y in ${units.unit('length')}, one hole a line`;
  const take = (typed: Schemas['Position'][]) => {
    setSaid('');
    setText(null);
    put({ typed });
  };
  function read() {
    if (text === null) return;
    const reading = readLines(text, pattern.typed!, units);
    if ('refused' in reading) setSaid(reading.refused);
    else take(reading.positions);
  }
  const refusal = said || Object.entries(refused).find(([field]) => field.startsWith('pattern.typed'))?.[1];
  return (
    <>
      <Input.TextArea
        aria-label={`Positions, ${words}`}
        placeholder={words}
        rows={6}
        className="mono"
        disabled={disabled}
        value={text ?? pattern.typed!.map((p) => lineOf(p, units)).join('\n')}
        status={refusal ? 'error' : ''}
        onChange={(e) => setText(e.target.value)}
        onBlur={read}
      />
      {refusal && (
        <p className="refusal" role="alert">
          {refusal}
        </p>
      )}
      {!disabled && <ReadPositions onTake={take} />}
    </>
  );
}
