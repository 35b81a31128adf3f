import { Select } from 'antd';
import { Fragment, useState } from 'react';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../parts/session';
import { NumberField } from '../../parts/NumberField';
import { EXTRAS } from './extras';
import { typeInto, type FieldCode } from './page';
import type { Address } from './useAddress';

interface Props {
  operation: Schemas['OperationDescription'];
  /** Whether the machine can turn the work. */
  turnsWork: boolean;
  result: Schemas['CalculationResult'] | undefined;
  refused: Record<string, string>;
  address: Address;
  /** Fields that stand elsewhere on the page, as long as there is a result to draw. */
  elsewhere?: ReadonlySet<FieldCode> | undefined;
}

/** What stands before everything else, since all of it follows from that. */
const FIRST: readonly string[] = ['threadToCut', 'turnedOutline'];
const SET_BY = { hand: '', best: 'set by the best point, ', method: 'set by the method, ' };

/** The choices of the operation, read from its description and grouped by what they are. */
export function Choices({ operation, turnsWork, result, refused, address, elsewhere }: Props) {
  const units = useUnits();
  const { chosen, change } = address;
  const typed = chosen.numbers;
  // A field that is being typed in stays where it is, also when the drawing it belongs on can be drawn again.
  const [within, setWithin] = useState<string | null>(null);
  // What does not matter here stays out of the way, unless something was typed there.
  const fields = operation.fields.filter(
    (f) =>
      !(result && within !== f.code && elsewhere?.has(f.code)) &&
      (result?.fields.find((s) => s.code === f.code)?.used !== false || typed[f.code]),
  );
  const options = operation.options.filter((o) => !o.onLathes || turnsWork || (chosen.picks[o.code] ?? o.default) !== o.default);
  const groups = [...new Set([...fields.map((f) => f.group), ...options.map((o) => o.group!)])].filter(Boolean);
  const names = new Map<string, string>(
    result?.limits.map((l) => [l.kind, l.name.toLowerCase().replace(/ (at|of|outside) the .*|, continuous$/, '')]),
  );

  const extra = (kind: string) => (
    <Fragment key={kind}>{EXTRAS[kind as keyof typeof EXTRAS]?.({ chosen, address, result, refused })}</Fragment>
  );

  function note(state: Schemas['FieldState'], quantity: Schemas['Quantity']): string {
    const range =
      state.mostBy && state.most === null
        ? `no value keeps the ${names.get(state.mostBy)}`
        : state.most !== null
          ? [
              ...(state.least !== null ? [units.number(state.least, quantity)] : []),
              `to ${units.number(state.most, quantity)}`,
              ...(state.mostBy ? [`by ${names.get(state.mostBy)}`] : []),
            ].join(' ')
          : '';
    const origin =
      state.origin === 'typed' && state.proposed !== null
        ? `${SET_BY[typed[state.code]?.by ?? 'hand']}proposed ${units.number(state.proposed, quantity)}`
        : state.note
          ? units.sentence(state.note)
          : '';
    return [origin, range].filter(Boolean).join(' · ');
  }

  return (
    <section className="choices" aria-label="Choices" data-region tabIndex={-1}>
      <h2 className="sr">Choices</h2>
      {operation.extras.filter((kind) => FIRST.includes(kind)).map(extra)}
      {groups.map((group) => (
        <div key={group}>
          <h3>{group}</h3>
          {fields
            .filter((f) => f.group === group)
            .map((f) => {
              const state = result?.fields.find((s) => s.code === f.code);
              return (
                <div key={f.code} onFocus={() => setWithin(f.code)} onBlur={() => setWithin(null)}>
                  <NumberField
                    label={f.name}
                    symbol={f.symbol}
                    quantity={f.quantity}
                    value={state?.value}
                    typed={typed[f.code]}
                    onTyped={(t) => typeInto(address, f.code, t)}
                    refused={refused[f.code]}
                    least={state?.least ?? undefined}
                    most={state?.most ?? undefined}
                    note={state && note(state, f.quantity)}
                  />
                </div>
              );
            })}
          {options
            .filter((o) => o.group === group)
            .map((o) => (
              <label key={o.code} className="option">
                {o.name}
                <Select
                  size="small"
                  variant="borderless"
                  value={result?.options[o.code] ?? o.picks.find((p) => p.code === chosen.picks[o.code])?.code ?? o.default}
                  onChange={(v) => change(`o.${o.code}`, (c) => ({ picks: { ...c.picks, [o.code]: v } }))}
                  options={o.picks.map((p) => ({ value: p.code, label: p.words }))}
                />
              </label>
            ))}
        </div>
      ))}
      {operation.extras.filter((kind) => !FIRST.includes(kind)).map(extra)}
    </section>
  );
}
