import type { Schemas } from '../api/client';
import { useUnits } from './session';
import { day } from './units';

export const EVIDENCE: Record<Schemas['EvidenceKind'], string> = {
  computed: 'calculated only',
  triedAtMachine: 'tried at the machine',
  earlierPractice: 'earlier practice in this shop',
};

/** Evidence, and how far the approval reaches. */
export function TermsLine({ terms, ended, made }: { terms: Schemas['Terms']; ended: boolean; made?: number }) {
  const { evidence, until, pieces } = terms;
  return (
    <p className={ended ? 'warn' : 'muted'}>
      {EVIDENCE[evidence.kind].replace(/^./, (c) => c.toUpperCase())}
      {evidence.source && `: ${evidence.source}`}. {until && (ended ? `Ended: it held until ${day(until)}.` : `Holds until ${day(until)}.`)}
      {pieces ? ` For ${pieces} pieces at most${made ? `, ${made} made` : ''}.` : ''}{' '}
      {ended && pieces && !until ? 'Ended: they are made.' : ''}
    </p>
  );
}

/** Cautions that were accepted, each with the reason why it may stand. */
export function Accepted({ cautions }: { cautions: readonly Schemas['CautionView'][] }) {
  const units = useUnits();
  const accepted = cautions.filter((c) => c.acceptance !== null);
  if (accepted.length === 0) return null;
  return (
    <ul className="cautions" aria-label="Accepted cautions">
      {accepted.map((c) => (
        <li key={c.key}>
          <b>Caution, accepted.</b> {units.sentence(c.finding.text)}
          <div className="quote">
            {c.acceptance!.reason} <span className="muted">({c.acceptance!.by})</span>
          </div>
        </li>
      ))}
    </ul>
  );
}
