import { Button, Select } from 'antd';
import { Link } from 'react-router';
import { useUnits } from '../../../parts/session';
import { clock } from '../../../parts/units';
import { threadOf } from '../../../api/beside';
import { given, pathOf } from '../address';
import type { Group, Solved } from './words';

const VERDICTS: Record<Solved['verdict'], string> = {
  works: 'This chain works.',
  cautions: 'This chain works; look at:',
  fails: 'This chain does not work:',
};

type Step = Solved['steps'][number];

/** The chain that makes one hole: each step with its cutter, the reason for it, and what it comes to. */
export function Chain(props: { result: Solved; group: Group; disabled: boolean; onPick: (operation: string, id: number | null) => void }) {
  const { result, group, disabled, onPick } = props;
  const units = useUnits();
  const value = (s: Step, code: string, quantity: 'spindleSpeed' | 'feedRate' | 'length') => {
    const f = s.result?.figures.find((x) => x.code === code);
    return f ? units.number(f.value, quantity) : '–';
  };
  const address = (s: Step) =>
    pathOf({
      operation: s.operation,
      material: group.materialId,
      assembly: s.tool!.assemblyId,
      machine: group.machineId,
      numbers: given(s.numbers),
      picks: s.options,
      thread: threadOf(s.extras),
    });
  return (
    <section>
      <h2>How each is made</h2>
      <div className={`verdict ${result.verdict}`} role="status">
        <b>{VERDICTS[result.verdict]}</b>
        <ul>
          {result.why.map((w) => (
            <li key={w.template}>{units.sentence(w)}</li>
          ))}
          {result.fallen.map((f) => (
            <li key={`${f.operation} ${f.assemblyId}`}>
              {units.sentence(f.why)}{' '}
              {!disabled && (
                <Button size="small" type="link" onClick={() => onPick(f.operation, null)}>
                  Take the pick back
                </Button>
              )}
            </li>
          ))}
          {result.otherwise && <li>{units.sentence(result.otherwise)}</li>}
          {result.touching && (
            <li>
              Holes {result.touching.first} and {result.touching.second} lie {units.text(result.touching.apart, 'length')} apart: they{' '}
              {result.touching.apart < 1e-6 ? 'are one hole made twice' : 'run into each other'}.
            </li>
          )}
        </ul>
      </div>
      <table className="courses chain" aria-label="Chain of operations">
        <thead>
          <tr>
            <th>step</th>
            <th>with</th>
            <th>{units.unit('spindleSpeed')}</th>
            <th>{units.unit('feedRate')}</th>
            <th>to depth, {units.unit('length')}</th>
            <th>time</th>
            <th>takes over, and why</th>
          </tr>
        </thead>
        <tbody>
          {result.steps.map((s, i) => {
            return (
              <tr key={s.operation} className={s.result?.findings.every((f) => f.severity !== 'stop') ? '' : 'missing'}>
                <th>
                  {i + 1} {s.tool ? <Link to={address(s)}>{s.operationName}</Link> : s.operationName}
                </th>
                <td>
                  {s.tool || s.others.length > 0 ? (
                    <Select
                      size="small"
                      variant="borderless"
                      aria-label={`Cutter for ${s.operationName.toLowerCase()}`}
                      disabled={disabled}
                      value={s.tool?.assemblyId ?? null}
                      placeholder="none that can"
                      popupMatchSelectWidth={260}
                      allowClear={s.operation in (group.picked ?? {})}
                      onChange={(id: number | null | undefined) => onPick(s.operation, id ?? null)}
                      options={[...(s.tool ? [s.tool] : []), ...s.others].map((t) => ({
                        value: t.assemblyId,
                        label: `${t.assembly} · Ø${units.size(t.diameter)} ${t.family}`,
                      }))}
                    />
                  ) : (
                    'missing'
                  )}
                </td>
                <td>{value(s, 'spindleSpeed', 'spindleSpeed')}</td>
                <td>{value(s, 'feedRate', 'feedRate')}</td>
                <td>{value(s, 'programmedDepth', 'length')}</td>
                <td>{s.tool ? clock(s.time) : '–'}</td>
                <td className="reason">
                  {s.takes && <b>{units.sentence(s.takes)} </b>}
                  {s.tool ? units.sentence(s.reason) : 'see above'}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {result.notes.map((n) => (
        <p key={n.template} className="muted small">
          {units.sentence(n)}
        </p>
      ))}
    </section>
  );
}
