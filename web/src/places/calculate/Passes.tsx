import { wayOf } from '../../api/beside';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../parts/session';
import { clock } from '../../parts/units';
import { fieldValue, figure } from './pictures/parts';

const [W, H] = [300, 190];

/** Passes and where the time goes; where stock is divided across and down, also as a picture of the stock cut through. */
export function Passes({ result }: { result: Schemas['CalculationResult'] }) {
  const units = useUnits();
  const [across, down] = [figure(result, 'passesAcross'), figure(result, 'passesDown')];
  const stock = (fieldValue(result, 'stockWidth') || figure(result, 'width') * across) - fieldValue(result, 'stockLeft');
  const wall = fieldValue(result, 'wallHeight') || fieldValue(result, 'stockHeight') || figure(result, 'depth') * down;
  const divided = ['side-rough', 'side-finish', 'face'].includes(result.operation);
  const scale = Math.min((W - 120) / stock, (H - 40) / wall);
  const [w, h] = [stock * scale, wall * scale];
  const [x0, y0] = [76, 12];
  const drawn = across * down <= 400;
  const way = figure(result, 'way');
  const cutting = way / figure(result, 'feedRate');
  return (
    <div className="passes">
      {divided && (
        <svg viewBox={`0 0 ${W} ${H}`} role="img" aria-label={`${across} passes across and ${down} down`}>
          <rect x={x0 + w} y={y0} width={W - x0 - w} height={h} fill="var(--solid)" />
          <rect x={x0} y={y0} width={w} height={h} fill="var(--stock)" stroke="var(--stock-edge)" />
          {drawn &&
            Array.from({ length: across - 1 }, (_, i) => (
              <line
                key={`a${i}`}
                x1={x0 + (w * (i + 1)) / across}
                x2={x0 + (w * (i + 1)) / across}
                y1={y0}
                y2={y0 + h}
                stroke="var(--stock-edge)"
              />
            ))}
          {drawn &&
            Array.from({ length: down - 1 }, (_, i) => (
              <line
                key={`d${i}`}
                y1={y0 + (h * (i + 1)) / down}
                y2={y0 + (h * (i + 1)) / down}
                x1={x0}
                x2={x0 + w}
                stroke="var(--stock-edge)"
              />
            ))}
          <g stroke="var(--accent)">
            <path
              d={
                `M${x0 - 12} ${y0}v${h}M${x0 - 18} ${y0}h12M${x0 - 18} ${y0 + h}h12M${x0} ` +
                `${y0 + h + 12}h${w}M${x0} ${y0 + h + 6}v12M${x0 + w} ${y0 + h + 6}v12`
              }
            />
          </g>
          <text x={x0 - 22} y={y0 + h / 2 + 4} textAnchor="end" className="dim accent">
            {units.number(wall, 'length')}
          </text>
          <text x={x0 + w + 8} y={y0 + h + 16} className="dim accent">
            {units.number(stock, 'length')}
          </text>
        </svg>
      )}
      <div className="rows">
        <div>
          <span>Passes</span>
          <b>{across > 0 ? `${across} across × ${down} down` : down}</b>
        </div>
        <div>
          <span>Each takes</span>
          <b>
            {across > 0 && `${units.number(figure(result, 'width'), 'length')} × `}
            {units.text(figure(result, 'depth'), 'length')}
          </b>
        </div>
        {figure(result, 'overrun') > 0 && (
          <div>
            <span>Way before and after each</span>
            <b>{units.text(figure(result, 'overrun'), 'length')}</b>
          </div>
        )}
        {way > 0 && (
          <div>
            <span>Way at feed rate, and its time</span>
            <b>
              {units.text(way, 'length')} · {clock(cutting)}
            </b>
          </div>
        )}
        <div>
          <span>Time of all{result.options.ways && (result.options.ways === 'both-ways' ? ', to and fro' : ', one way')}</span>
          <b>{clock(figure(result, 'time'))}</b>
        </div>
        <p className="muted small">Passes are equal and none is above the most allowed.</p>
        <div>
          <table className="courses" aria-label="Way of the tool">
            <thead>
              <tr>
                <th>way</th>
                <th>times</th>
                <th>{units.unit('length')}</th>
                <th>{units.unit('feedRate')}</th>
                <th>time</th>
              </tr>
            </thead>
            <tbody>
              {wayOf(result).map((part) => (
                <tr key={part.code}>
                  <th>{part.name}</th>
                  <td>{units.number(part.count, 'ratio')}</td>
                  <td>{units.number(part.length, 'length')}</td>
                  <td>{units.number(part.feedRate, 'feedRate')}</td>
                  <td>{clock(part.time)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </div>
    </div>
  );
}
