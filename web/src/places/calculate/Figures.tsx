import type { ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../parts/session';
import { Sym } from '../../parts/Sym';
import { clock } from '../../parts/units';

type Figure = Schemas['Figure'];

const LARGE: readonly string[] = ['spindleSpeed', 'feedRate', 'removalRate', 'time'];

/** The figures, large, and those behind them; every one answers why it is what it is. */
export function Figures({ result, onWhy }: { result: Schemas['CalculationResult']; onWhy?: (symbol: string) => void }) {
  const units = useUnits();
  // Records of an earlier engine do not say which figures are large.
  const ranked = result.figures.some((f) => f.rank === 'large');
  const large = result.figures.filter((f) => (ranked ? f.rank === 'large' : LARGE.includes(f.code)));
  const rows = result.figures.filter((f) => (ranked ? f.rank === 'row' : !LARGE.includes(f.code)));
  const cell = (f: Figure, children: ReactNode) =>
    onWhy ? (
      <button key={f.code} data-figure={f.code} onClick={() => onWhy(f.symbol)}>
        <span className="sr">Why: </span>
        {children}
      </button>
    ) : (
      <div key={f.code} data-figure={f.code}>
        {children}
      </div>
    );
  return (
    <>
      <div className="card notched big">
        {large.map((f) =>
          cell(
            f,
            <>
              <span>
                {f.name} <Sym text={f.symbol} />
              </span>{' '}
              <b>{f.code === 'time' ? clock(f.value) : units.number(f.value, f.quantity)}</b>
              <i>{f.code === 'time' ? 'min' : units.unit(f.quantity)}</i>
            </>,
          ),
        )}
      </div>
      {onWhy && (
        <p className="sr" role="status">
          {large.map((f) => `${f.name} ${f.code === 'time' ? `${clock(f.value)} min` : units.text(f.value, f.quantity)}`).join(', ')}
        </p>
      )}
      {onWhy && <p className="askwhy">Why? Press a figure.</p>}
      <div className="rows">
        {rows.map((f) =>
          cell(
            f,
            <>
              <span>
                {f.name} <Sym text={f.symbol} />
              </span>{' '}
              <b>{f.quantity === 'time' ? `${clock(f.value)} min` : units.text(f.value, f.quantity)}</b>
            </>,
          ),
        )}
      </div>
    </>
  );
}
