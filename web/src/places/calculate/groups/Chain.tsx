import { Select } from 'antd';
import { Link } from 'react-router';
import { useUnits } from '../../../app/session';
import { clock } from '../../../parts/units';
import type { Group, Solved } from './words';

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
    `/calculate?${new URLSearchParams({
      op: s.operation,
      material: String(group.materialId),
      assembly: String(s.tool!.assemblyId),
      machine: String(group.machineId),
      ...Object.fromEntries(Object.entries(s.numbers).map(([k, v]) => [`n.${k}`, String(v)])),
      ...Object.fromEntries(Object.entries(s.options).map(([k, v]) => [`o.${k}`, v])),
    }).toString()}`;
  return (
    <section>
      <h2>How each is made</h2>
      {!result.complete && (
        <p className="warn" role="status">
          The library lacks a cutter for{' '}
          {result.steps
            .filter((s) => !s.tool)
            .map((s) => s.operationName.toLowerCase())
            .join(' and ')}
          ; the time leaves that out.
        </p>
      )}
      <table className="courses chain" aria-label="Chain of operations">
        <thead>
          <tr>
            <th>step</th>
            <th>with</th>
            <th>{units.unit('spindleSpeed')}</th>
            <th>{units.unit('feedRate')}</th>
            <th>to depth, {units.unit('length')}</th>
            <th>time</th>
            <th>why</th>
          </tr>
        </thead>
        <tbody>
          {result.steps.map((s, i) => {
            const grave = s.result?.findings.find((f) => f.severity !== 'info');
            return (
              <tr key={s.operation} className={s.tool ? '' : 'missing'}>
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
                  {units.sentence(s.reason)} {grave && <em>{units.sentence(grave.text)}</em>}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
