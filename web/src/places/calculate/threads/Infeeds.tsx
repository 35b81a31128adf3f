import { attached } from '../../../api/beside';
import { useUnits } from '../../../parts/session';
import type { Result } from '../page';

/** Every infeed of a turned thread with its chip and its load. */
export function Infeeds({ result }: { result: Result }) {
  const units = useUnits();
  const course = attached(result.attachments, 'infeedCourse')!;
  const most = Math.max(...course.infeeds.map((i) => i.force));
  return (
    <div className="infeeds">
      <table className="courses" aria-label="Infeeds">
        <thead>
          <tr>
            <th>infeed</th>
            <th>goes in, {units.unit('chip')}</th>
            <th>depth, {units.unit('chip')}</th>
            <th>sideways, {units.unit('chip')}</th>
            <th>chip thickness, {units.unit('chip')}</th>
            <th>cutting force, {units.unit('force')}</th>
            <th>passive force, {units.unit('force')}</th>
            <th>power, {units.unit('power')}</th>
          </tr>
        </thead>
        <tbody>
          {course.infeeds.map((i) => (
            <tr key={i.number} className={i.force === most ? 'best' : ''}>
              <th>{i.number}</th>
              <td>{units.number(i.infeedDepth, 'chip')}</td>
              <td>{units.number(i.depth, 'chip')}</td>
              <td>{units.number(i.shift, 'chip')}</td>
              <td>{units.number(i.chip, 'chip')}</td>
              <td>{units.number(i.force, 'force')}</td>
              <td>{units.number(i.passive, 'force')}</td>
              <td>{units.number(i.power, 'power')}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="muted small">
        Sideways is where the insert stands off its last place, towards the feed. The heaviest infeed is marked.
      </p>
    </div>
  );
}
