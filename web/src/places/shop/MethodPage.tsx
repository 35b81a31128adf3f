import { Button, Input, Select } from 'antd';
import { useNavigate, useSearchParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { useMayWork } from '../../parts/session';
import { NumberField, type Typed } from '../../parts/NumberField';
import { SheetFrame } from '../../parts/SheetFrame';
import { WordRows } from '../../parts/SheetRows';
import { useOperations } from '../../parts/shelf';
import { storedCalls, StoredPage } from '../../parts/stored';
import { useSheetForm } from '../../parts/useSheetForm';
import { pathOf, readAddress } from '../calculate/address';

type Method = Schemas['Method'];
type MethodSheet = Schemas['SheetOfMethod'];
type Choice = Schemas['MethodChoice'];
type Operation = Schemas['OperationDescription'];

const NAMES: Record<string, string> = {
  name: 'Name',
  operation: 'Operation',
  choices: 'Values',
  options: 'Picks',
  remarks: 'When it is good',
};
const BASES: [Choice['basis'], string][] = [
  ['value', 'the value itself'],
  ['ofDiameter', '× cutting diameter'],
  ['ofFlutes', '× flute length'],
];

const calls = storedCalls<Method, MethodSheet>('shop/methods');

/** A saved way to do an operation. Records that used it keep their own values; changing it changes none of them. */
export function MethodPage() {
  const operations = useOperations();
  if (!operations.data) return <p className="page muted">Fetching the operations…</p>;
  return (
    <StoredPage calls={calls} word="method">
      {(sheet, key) => <Editor key={key} sheet={sheet} operations={operations.data} />}
    </StoredPage>
  );
}

function Editor({ sheet, operations }: { sheet: MethodSheet | undefined; operations: Operation[] }) {
  const navigate = useNavigate();
  const mayWork = useMayWork();
  const [address] = useSearchParams();
  const form = useSheetForm<Method, MethodSheet>({
    sheet,
    blank: fromAddress(address, operations),
    calls,
    onSaved: (saved) => void navigate(`/shop/methods/${saved.id}`, { replace: true }),
  });
  const method = form.definition;
  const operation = operations.find((o) => o.code === method.operation) ?? operations[0]!;
  const choices = method.choices ?? [];
  const options = method.options ?? {};
  const put = (next: Choice[], step: string, typed?: Typed) => form.set('choices', next, typed, step);
  const left = operation.fields.filter((f) => !choices.some((c) => c.field === f.code));
  const free = operation.options.filter((o) => !(o.code in options));

  return (
    <SheetFrame
      title={sheet ? sheet.definition.name : 'A new method'}
      back={{ to: '/shop/methods', words: 'Methods' }}
      sheet={sheet}
      form={form}
      add="Add to the shop"
      fields={['choices', 'options', 'operation']}
      names={NAMES}
    >
      <div className="columns">
        <section>
          <h2>Which it is</h2>
          <WordRows form={form} rows={['name']} names={NAMES} refused={form.refused} />
          <label className="line">
            {NAMES.operation}
            <Select
              aria-label={NAMES.operation}
              value={method.operation}
              disabled={!mayWork}
              onChange={(code) => form.setMany({ operation: code, choices: [], options: {} })}
              options={operations.map((o) => ({ value: o.code, label: o.name }))}
            />
          </label>
          <label className="line">
            {NAMES.remarks}
            <Input.TextArea
              rows={4}
              maxLength={2000}
              disabled={!mayWork}
              value={method.remarks ?? ''}
              onChange={(e) => form.set('remarks', e.target.value)}
            />
          </label>
          <p className="muted small">
            Apply it from Calculate, in any situation. Values measured by the cutter fit every size. Records keep the values they were made
            with, whatever becomes of the method.
          </p>
        </section>
        <section className="wide">
          <h2>What it sets</h2>
          {choices.length === 0 && Object.keys(options).length === 0 && (
            <p className="muted">Nothing yet. Add a value or a pick below; what a method leaves out is proposed as usual.</p>
          )}
          {choices.map((c, i) => {
            const field = operation.fields.find((f) => f.code === c.field);
            if (!field) return null;
            const step = `choices.${c.field}`;
            const at = (change: Partial<Choice>) => choices.map((x, j) => (j === i ? { ...x, ...change } : x));
            const refused = form.refused[`choices[${i}].amount`] ?? form.refused[`choices[${i}].basis`];
            return (
              <div key={c.field} className="method-row">
                <NumberField
                  label={field.name}
                  symbol={field.symbol}
                  quantity={c.basis === 'value' ? field.quantity : 'ratio'}
                  value={c.amount}
                  typed={form.typed[step]}
                  onTyped={(t) => put(at({ amount: t?.base ?? sheetAmount(sheet, c.field) ?? c.amount }), step, t)}
                  refused={refused}
                  disabled={!mayWork}
                />
                <Select
                  size="small"
                  aria-label={`Measure, ${field.symbol || field.code}`}
                  value={c.basis}
                  disabled={!mayWork}
                  onChange={(basis) => put(at({ basis }), `${step}.basis`)}
                  options={BASES.filter(([b]) => b === 'value' || field.quantity === 'length' || field.quantity === 'chip').map(
                    ([value, label]) => ({ value, label }),
                  )}
                />
                {mayWork && (
                  <button
                    className="why"
                    onClick={() =>
                      put(
                        choices.filter((_, j) => j !== i),
                        `${step}.gone`,
                      )
                    }
                    aria-label={`Leave out ${field.symbol || field.code}`}
                  >
                    leave out
                  </button>
                )}
              </div>
            );
          })}
          {Object.entries(options).map(([code, picked]) => {
            const option = operation.options.find((o) => o.code === code);
            if (!option) return null;
            return (
              <div key={code} className="method-row">
                <span>{option.name}</span>
                <Select
                  size="small"
                  aria-label={option.name}
                  value={picked}
                  disabled={!mayWork}
                  onChange={(p) => form.set('options', { ...options, [code]: p })}
                  options={option.picks.map((p) => ({ value: p.code, label: p.words }))}
                />
                {mayWork && (
                  <button
                    className="why"
                    aria-label={`Leave out ${option.code}`}
                    onClick={() => form.set('options', Object.fromEntries(Object.entries(options).filter(([k]) => k !== code)))}
                  >
                    leave out
                  </button>
                )}
              </div>
            );
          })}
          {mayWork && (
            <div className="inline">
              <Select
                size="small"
                aria-label="Add a value"
                placeholder="add a value"
                value={null}
                style={{ minWidth: 200 }}
                onChange={(code: string | null) => {
                  const field = operation.fields.find((f) => f.code === code);
                  if (field)
                    put(
                      [...choices, { field: field.code, basis: 'value', amount: field.least > 0 ? Math.max(field.least, 1) : 0 }],
                      `choices.${field.code}`,
                    );
                }}
                options={left.map((f) => ({ value: f.code, label: f.name }))}
              />
              <Select
                size="small"
                aria-label="Add a pick"
                placeholder="add a pick"
                value={null}
                style={{ minWidth: 160 }}
                onChange={(code: string | null) => {
                  const option = operation.options.find((o) => o.code === code);
                  if (option) form.set('options', { ...options, [option.code]: option.default });
                }}
                options={free.map((o) => ({ value: o.code, label: o.name }))}
              />
              {sheet && (
                <Button size="small" onClick={() => void navigate(pathOf({ operation: method.operation }))}>
                  Try it in Calculate
                </Button>
              )}
            </div>
          )}
        </section>
      </div>
    </SheetFrame>
  );
}

const sheetAmount = (sheet: MethodSheet | undefined, field: string): number | undefined =>
  sheet?.definition.choices?.find((c) => c.field === field)?.amount;

// What stood in Calculate, as far as it belongs to the way: what grows with the cutter as a multiple of its diameter. The part stays behind.
function fromAddress(address: URLSearchParams, operations: Operation[]): Method {
  const { operation: code, numbers, picks } = readAddress(address);
  const operation = operations.find((o) => o.code === code) ?? operations[0]!;
  const diameter = Number(address.get('d'));
  const choices = Object.entries(numbers).flatMap(([field, { base }]): Choice[] => {
    const role = operation.fields.find((f) => f.code === field)?.role;
    if (!role || role === 'part') return [];
    return diameter > 0 && role === 'wayBySize'
      ? [{ field, basis: 'ofDiameter', amount: Number((base / diameter).toPrecision(4)) }]
      : [{ field, basis: 'value', amount: base }];
  });
  const options = Object.fromEntries(Object.entries(picks).filter(([option]) => operation.options.some((o) => o.code === option)));
  return { name: '', operation: operation.code, choices, options, remarks: '' };
}
