import { Checkbox, Input } from 'antd';
import { useMayWork } from './session';
import { NumberField, type Typed } from './NumberField';
import type { Quantity } from './units';

type Form<T> = {
  definition: T;
  set: (key: keyof T & string, value: never) => void;
  number: (key: keyof T & string) => { value: number; typed: Typed | undefined; onTyped: (t: Typed | undefined) => void };
};

/** A number of a stored thing: its key, its symbol (empty for none) and what it measures. */
export type NumberRow<T> = readonly [key: keyof T & string, symbol: string, quantity: Quantity];

/** The numbers of a stored thing, one below the other. */
export function NumberRows<T>(props: {
  form: Form<T>;
  rows: readonly NumberRow<T>[];
  names: Record<string, string>;
  refused: Record<string, string>;
}) {
  const { form, rows, names, refused } = props;
  const mayWork = useMayWork();
  return rows.map(([key, symbol, quantity]) => (
    <NumberField
      key={key}
      label={names[key]!}
      symbol={symbol}
      quantity={quantity}
      {...form.number(key)}
      refused={refused[key]}
      disabled={!mayWork}
    />
  ));
}

/** The words of a stored thing, one below the other. */
export function WordRows<T>(props: {
  form: Form<T>;
  rows: readonly (keyof T & string)[];
  names: Record<string, string>;
  refused?: Record<string, string>;
}) {
  const { form, rows, names, refused = {} } = props;
  const mayWork = useMayWork();
  return rows.map((key) => (
    <div key={key}>
      <label className="line">
        {names[key]}
        <Input
          value={(form.definition[key] as string | undefined) ?? ''}
          disabled={!mayWork}
          status={refused[key] ? 'error' : ''}
          onChange={(e) => form.set(key, e.target.value as never)}
        />
      </label>
      {refused[key] && <p className="refusal">{refused[key]}</p>}
    </div>
  ));
}

/** A yes or no of a stored thing: what it is about, and the words it stands for. */
export function CheckRow<T>(props: { form: Pick<Form<T>, 'definition' | 'set'>; field: keyof T & string; about: string; words: string }) {
  const { form, field, about, words } = props;
  const mayWork = useMayWork();
  return (
    <div className="line">
      {about}
      <Checkbox checked={Boolean(form.definition[field])} disabled={!mayWork} onChange={(e) => form.set(field, e.target.checked as never)}>
        {words}
      </Checkbox>
    </div>
  );
}
