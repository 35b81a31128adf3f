import { useId, useLayoutEffect, useRef, useState, type KeyboardEvent } from 'react';
import { useUnits } from './session';
import { loadSums } from './sums';
import { Sym } from './Sym';
import { isPlain, read } from './typed';
import type { Quantity, UnitSystem } from './units';

/** What a person typed, kept as typed; the value is in base units and never converted back. */
export interface Typed {
  text: string;
  system: UnitSystem;
  base: number;
  /** What put it there, where nobody typed it. */
  by?: Setter;
}

/** What can put values into fields that nobody typed. */
export type Setter = 'best' | 'method';

/** What was typed, as long as it is what stands; after an undo it is not. */
export const still = (typed: Typed | undefined, value: number): Typed | undefined => (typed?.base === value ? typed : undefined);

export interface NumberFieldProps {
  label: string;
  symbol?: string;
  quantity: Quantity;
  /** Value in force, base units; what is shown while nothing is typed. */
  value: number | undefined;
  typed?: Typed | undefined;
  onTyped: (typed: Typed | undefined) => void;
  /** A line under the box: the range and where a proposal comes from. */
  note?: string | undefined;
  /** Why the server refused the value. */
  refused?: string | undefined;
  /** A value that was probably meant instead of a refused or doubtful one. */
  meant?: number | undefined;
  least?: number | undefined;
  most?: number | undefined;
  /** For boxes that stand on a drawing: label for readers of the screen only. */
  bare?: boolean;
  disabled?: boolean;
}

/**
 * A number as workshops type them. Arrow keys step (Shift ×10, Alt ÷10), Escape or an emptied box gives the proposal back.
 * Whatever was typed stays in the box, also when it cannot be taken.
 */
export function NumberField(props: NumberFieldProps) {
  const { label, symbol, quantity, value, typed, onTyped, note, refused, meant, least, most, bare, disabled } = props;
  const units = useUnits();
  const id = useId();
  const box = useRef<HTMLInputElement>(null);
  const [draft, setDraft] = useState<{ text: string; refusal: string; readings?: number[] } | null>(null);

  const shownText = typed
    ? typed.system === units.system
      ? typed.text
      : units.editable(typed.base, quantity)
    : value === undefined
      ? ''
      : units.editable(value, quantity);
  const text = draft?.text ?? shownText;
  const refusal = draft?.refusal || (refused && units.told(refused));

  // A proposal that changes under the cursor stays selected whole: what is typed next replaces it, and never joins its digits.
  const proposal = typed || draft ? null : shownText;
  useLayoutEffect(() => {
    if (proposal !== null && document.activeElement === box.current) box.current?.select();
  }, [proposal]);

  function take(next: string) {
    if (next.trim() === '') {
      setDraft({ text: '', refusal: '' });
      onTyped(undefined);
      return;
    }
    const reading = read(next, quantity, units);
    if ('refused' in reading) {
      if (reading.waiting) void loadSums().then(() => box.current?.value === next && take(next));
      setDraft({ text: next, refusal: reading.refused, ...(reading.readings && { readings: reading.readings }) });
      // Of 12,000 the 12 was in force while it was typed; until somebody says which is meant, neither is.
      if (reading.readings) onTyped(undefined);
      return;
    }
    setDraft(null);
    onTyped({ text: next, system: units.system, base: reading.base });
  }

  function step(event: KeyboardEvent, sign: number) {
    event.preventDefault();
    const { perBase, decimals } = units.shown(quantity);
    const now = typed?.base ?? value ?? 0;
    const size = 10 ** -Math.max(0, decimals - 1) * (event.shiftKey ? 10 : event.altKey ? 0.1 : 1);
    // Ten decimals drop the noise of binary fractions and nothing else.
    const stepped = Number((now / perBase + sign * size).toFixed(10));
    const shown = least !== undefined && least >= 0 ? Math.max(stepped, 0) : stepped;
    const next = String(shown);
    setDraft(null);
    onTyped({ text: next, system: units.system, base: shown * perBase });
  }

  function onKeyDown(event: KeyboardEvent) {
    if (event.key === 'ArrowUp') step(event, 1);
    else if (event.key === 'ArrowDown') step(event, -1);
    else if (event.key === 'Escape' && (typed || draft)) {
      event.preventDefault();
      setDraft(null);
      onTyped(undefined);
    }
  }

  const sum =
    typed && !refusal && typed.system === units.system && !isPlain(typed.text)
      ? `= ${units.editable(typed.base, quantity)} ${units.unit(quantity)}`
      : '';
  const outside =
    typed &&
    !refusal &&
    ((least !== undefined && typed.base < least * (1 - 1e-9)) || (most !== undefined && typed.base > most * (1 + 1e-9)));
  // What may be meant instead: one of two readings, a guess of the server, or inches where a bare fraction stands.
  const again = typed && !refusal && typed.system === units.system ? read(typed.text, quantity, units) : null;
  const inInches = again && 'other' in again && again.base === typed?.base ? again.other : undefined;
  const offers = draft?.readings ?? (meant !== undefined ? [meant] : inInches !== undefined ? [inInches] : []);
  const offer = (base: number) => {
    setDraft(null);
    // The text is the value to its last digit, so that what stands in the box is what counts.
    onTyped({ text: String(Number((base / units.shown(quantity).perBase).toPrecision(12))), system: units.system, base });
  };
  const under = refusal || [sum, note].filter(Boolean).join(' · ');

  return (
    <div className={`nf ${typed ? 'typed' : 'proposed'} ${refusal ? 'refused' : ''} ${outside ? 'outside' : ''} ${bare ? 'bare' : ''}`}>
      <label htmlFor={id}>
        <span className={bare ? 'sr' : ''}>{label}</span>
        {symbol && (
          <i>
            <Sym text={symbol} />
          </i>
        )}
      </label>
      <input
        id={id}
        ref={box}
        inputMode="text"
        autoComplete="off"
        spellCheck={false}
        value={text}
        placeholder={value === undefined ? '—' : undefined}
        disabled={disabled}
        aria-invalid={Boolean(refusal)}
        aria-describedby={`${id}-note`}
        onChange={(e) => take(e.target.value)}
        onKeyDown={onKeyDown}
        onFocus={(e) => {
          void loadSums();
          e.target.select();
        }}
        onBlur={() => setDraft((d) => (d?.refusal ? d : null))}
      />
      <span className="unit">{units.unit(quantity)}</span>
      <small id={`${id}-note`} role={refusal ? 'alert' : undefined}>
        {under}
        {!disabled &&
          offers.map((base) => (
            <button key={base} type="button" className="why" onClick={() => offer(base)}>
              Take {units.text(base, quantity)}
            </button>
          ))}
      </small>
    </div>
  );
}
