import type { Schemas } from '../api/client';
import { useUnits } from '../app/session';
import { Sym } from './NumberField';

const WORDS: Record<Schemas['Severity'], string> = { info: 'Good to know', caution: 'Caution', stop: 'Stop' };

/** What the calculation noticed, gravest first, each with its cure. */
export function Findings({ findings }: { findings: readonly Schemas['Finding'][] }) {
  const units = useUnits();
  if (findings.length === 0) return <p className="muted">Nothing to remark: every limit is kept.</p>;
  return (
    <ul className="findings" aria-label="Findings">
      {findings.map((f, i) => (
        <li key={i} className={f.severity}>
          <b>{WORDS[f.severity]}.</b> <Said text={units.sentence(f.text)} /> {f.cure && <span>{f.cure}</span>}
        </li>
      ))}
    </ul>
  );
}

// A sentence with its symbols set as symbols.
function Said({ text }: { text: string }) {
  return <>{text.split(/(\b[a-z]_[a-z]+\b)/).map((part, i) => (i % 2 ? <Sym key={i} text={part} /> : part))}</>;
}
