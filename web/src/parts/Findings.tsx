import type { Schemas } from '../api/client';
import { useUnits } from './session';
import { Sym } from './Sym';

const WORDS: Record<Schemas['Severity'], string> = { info: 'Good to know', caution: 'Caution', stop: 'Stop' };

/** What the calculation noticed, gravest first, each with its cure. */
export function Findings({ findings, refused }: { findings: readonly Schemas['Finding'][]; refused?: boolean }) {
  const units = useUnits();
  // Figures that stand beside a refused value are from before it, and so would be a word that all is well.
  if (findings.length === 0 && refused) return <p className="muted">A value is refused. The figures shown are from before it.</p>;
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
