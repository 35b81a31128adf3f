import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/session';
import { Sym } from '../../parts/NumberField';
import { clock } from '../../parts/units';

const LARGE: readonly string[] = ['spindleSpeed', 'feedRate', 'removalRate', 'time'];

/** The figures, large, and those behind them; every number answers "why?". */
export function Figures({ result, onWhy }: { result: Schemas['CalculationResult']; onWhy?: (symbol: string) => void }) {
  const units = useUnits();
  // Records of an earlier engine do not say which figures are large.
  const ranked = result.figures.some((f) => f.rank === 'large');
  const large = result.figures.filter((f) => (ranked ? f.rank === 'large' : LARGE.includes(f.code)));
  const rows = result.figures.filter((f) => (ranked ? f.rank === 'row' : !LARGE.includes(f.code)));
  return (
    <>
      <div className="card notched big">
        {large.map((f) => (
          <div key={f.code} data-figure={f.code}>
            <span>
              {f.name} <Sym text={f.symbol} /> {onWhy && <Why symbol={f.symbol} name={f.name} onWhy={onWhy} />}
            </span>
            {f.code === 'time' ? (
              <>
                <b>{clock(f.value)}</b>
                <i>min</i>
              </>
            ) : (
              <>
                <b>{units.number(f.value, f.quantity)}</b>
                <i>{units.unit(f.quantity)}</i>
              </>
            )}
          </div>
        ))}
      </div>
      <div className="rows">
        {rows.map((f) => (
          <div key={f.code} data-figure={f.code}>
            <span>
              {f.name} <Sym text={f.symbol} />
            </span>
            <b>{f.quantity === 'time' ? `${clock(f.value)} min` : units.text(f.value, f.quantity)}</b>
            {onWhy && <Why symbol={f.symbol} name={f.name} onWhy={onWhy} />}
          </div>
        ))}
      </div>
    </>
  );
}

function Why({ symbol, name, onWhy }: { symbol: string; name: string; onWhy: (symbol: string) => void }) {
  return (
    <button className="why" aria-label={`Why: ${name}`} onClick={() => onWhy(symbol)}>
      why?
    </button>
  );
}
