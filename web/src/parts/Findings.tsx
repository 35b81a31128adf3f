import type { Schemas } from '../api/client';
import { useUnits } from '../app/session';

const WORDS: Record<Schemas['Severity'], string> = { info: 'Good to know', caution: 'Caution', stop: 'Stop' };

/** What the calculation noticed, gravest first, each with its cure. */
export function Findings({ findings }: { findings: readonly Schemas['Finding'][] }) {
  const units = useUnits();
  if (findings.length === 0) return <p className="muted">Nothing to remark: every limit is kept.</p>;
  return (
    <ul className="findings" aria-label="Findings">
      {findings.map((f, i) => (
        <li key={i} className={f.severity}>
          <b>{WORDS[f.severity]}.</b> {units.sentence(f.text)} {f.cure && <span>{f.cure}</span>}
        </li>
      ))}
    </ul>
  );
}
