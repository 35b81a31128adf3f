import { useUnits } from '../../parts/session';
import { CornerView } from './pictures/CornerView';
import { figure, type Drawn } from './pictures/parts';

/** What a bend or corner does to the cut: straight against bend, as a picture and as numbers. */
export function Bend({ result, cutter }: Pick<Drawn, 'result' | 'cutter'>) {
  const units = useUnits();
  if (figure(result, 'bendArc') === 0)
    return (
      <p className="muted">
        The wall is straight. Give the radius of a bend or corner, among the choices on the left, to see what it does to the load.
      </p>
    );
  const rows: [string, string, string][] = [
    ['Arc of engagement', units.text(figure(result, 'arc'), 'angle'), units.text(figure(result, 'bendArc'), 'angle')],
    ['Largest chip', units.text(figure(result, 'largestChip'), 'chip'), units.text(figure(result, 'bendChip'), 'chip')],
    [
      'Side force',
      units.text(figure(result, 'peakForce'), 'force'),
      units.text(figure(result, 'peakForce') * figure(result, 'bendForce'), 'force'),
    ],
  ];
  const largest = figure(result, 'bendLargestCutter');
  return (
    <div className="bend">
      <CornerView result={result} cutter={cutter} />
      <div>
        <table className="courses">
          <thead>
            <tr>
              <th>The centre keeping its feed</th>
              <th>straight</th>
              <th>in the bend</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(([name, straight, bend]) => (
              <tr key={name}>
                <th>{name}</th>
                <td>{straight}</td>
                <td>{bend}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <div className="rows">
          <div>
            <span>Feed of the centre that holds the rim</span>
            <b>{units.text(figure(result, 'bendRimFeed'), 'feedRate')}</b>
          </div>
          <div>
            <span>Feed of the centre that keeps the chip</span>
            <b>{units.text(figure(result, 'bendChipFeed'), 'feedRate')}</b>
          </div>
          {largest > 0 && (
            <div>
              <span>Largest cutter whose arc stays within a quarter turn</span>
              <b>{units.text(largest, 'length')}</b>
            </div>
          )}
        </div>
      </div>
    </div>
  );
}
