import { useEffect, useRef } from 'react';
import type { Schemas } from '../api/client';
import { useUnits } from './session';
import { Sym } from './Sym';

/** The ordered steps of a calculation: formula, what went in and from where, what came out. */
export function Derivation({ result, symbol }: { result: Schemas['CalculationResult']; symbol?: string | null }) {
  const units = useUnits();
  const box = useRef<HTMLOListElement>(null);
  const givens = new Map(result.givens.map((g) => [g.symbol, g]));
  const quantities = new Map([
    ...result.steps.map((s) => [s.formula.symbol, s.formula.quantity] as const),
    ...result.givens.map((g) => [g.symbol, g.quantity] as const),
  ]);
  const index = symbol ? result.steps.findLastIndex((s) => s.formula.symbol === symbol) : -1;

  useEffect(() => {
    box.current?.querySelector('[data-asked="true"]')?.scrollIntoView({ block: 'center' });
  }, [symbol]);

  if (result.steps.length === 0) return <p className="muted">Working out the derivation…</p>;
  return (
    <>
      {symbol && index < 0 && !givens.has(symbol) && (
        <p className="muted">
          No step of this calculation works out <Sym text={symbol} />.
        </p>
      )}
      <ol className="derivation" ref={box} tabIndex={0} aria-label="Derivation">
        {result.steps.map((step, i) => (
          <li key={i} data-asked={i === index}>
            <div className="formula">
              <Sym text={step.formula.symbol} /> = <Expression text={step.formula.expression} /> ={' '}
              <b>{units.text(step.value, step.formula.quantity)}</b>
              <span className="name">{step.formula.name}</span>
            </div>
            <div className="terms">
              {step.terms.map((t) => {
                const given = givens.get(t.symbol);
                return (
                  <span key={t.symbol} title={given ? `${given.name}: ${given.from}` : undefined}>
                    <Sym text={t.symbol} />{' '}
                    {quantities.has(t.symbol) ? units.text(t.value, quantities.get(t.symbol)!) : Number(t.value.toPrecision(6))}
                    {given && <em> {given.from}</em>}
                  </span>
                );
              })}
            </div>
            <div className="source">{step.formula.source}</div>
          </li>
        ))}
      </ol>
    </>
  );
}

const WORDS = new Set(['sin', 'cos', 'tan', 'acos', 'asin', 'sqrt', 'abs', 'min', 'max', 'ceil']);

// The formula as the core wrote it, with the signs a handbook uses.
function Expression({ text }: { text: string }) {
  const parts = text.match(/[\p{L}_][\p{L}\p{N}_]*|[^\p{L}_]+/gu) ?? [];
  return (
    <span className="expression">
      {parts.map((part, i) => {
        if (part === 'pi') return 'π';
        if (part === 'sqrt') return '√';
        if (WORDS.has(part)) return part;
        if (/^\p{L}/u.test(part)) return <Sym key={i} text={part} />;
        return part.replace(/\*/g, '·').replace(/-/g, '−');
      })}
    </span>
  );
}
