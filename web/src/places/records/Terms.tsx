import { Input, Select } from 'antd';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../parts/session';
import { EVIDENCE } from '../../parts/TermsLine';

type Terms = Schemas['Terms'];
type Given = Schemas['GivenTerms'];
/** The part of the terms that people choose, as it stands. */
export const givenOf = (t: Terms): Given => ({ evidence: t.evidence, until: t.until, pieces: t.pieces });

/** Evidence, and how far the approval is to reach. */
export function TermsFields({ value, onChange }: { value: Given; onChange: (value: Given) => void }) {
  const { evidence } = value;
  return (
    <fieldset className="terms">
      <legend>What it rests on, and how far it reaches</legend>
      <label>
        <span>Evidence</span>
        <Select
          aria-label="Evidence"
          value={evidence.kind}
          onChange={(kind) => onChange({ ...value, evidence: { ...evidence, kind } })}
          options={Object.entries(EVIDENCE).map(([kind, label]) => ({ value: kind as Schemas['EvidenceKind'], label }))}
        />
      </label>
      {evidence.kind !== 'computed' && (
        <label className="wide">
          <span>Source</span>
          <Input
            aria-label="Source of the evidence"
            placeholder="job, date, who can be asked"
            maxLength={2000}
            value={evidence.source}
            onChange={(e) => onChange({ ...value, evidence: { ...evidence, source: e.target.value } })}
          />
        </label>
      )}
      <label>
        <span>Until</span>
        <Input
          type="date"
          aria-label="Holds until"
          value={value.until ?? ''}
          onChange={(e) => onChange({ ...value, until: e.target.value || null })}
        />
      </label>
      <label>
        <span>Pieces</span>
        <Input
          inputMode="numeric"
          aria-label="Holds for pieces"
          placeholder="any number"
          value={value.pieces ?? ''}
          onChange={(e) => {
            const digits = e.target.value.replace(/\D/g, '').slice(0, 9);
            onChange({ ...value, pieces: digits ? Number(digits) : null });
          }}
        />
      </label>
    </fieldset>
  );
}

interface CautionsProps {
  cautions: readonly Schemas['CautionView'][];
  reasons: Record<string, string>;
  onReasons?: ((reasons: Record<string, string>) => void) | undefined;
}

/** Each caution with why it may stand, or room to say so. */
export function Cautions({ cautions, reasons, onReasons }: CautionsProps) {
  const units = useUnits();
  if (cautions.length === 0) return null;
  return (
    <ul className="cautions" aria-label="Cautions">
      {cautions.map(({ key, finding, acceptance }) => (
        <li key={key}>
          <b>Caution.</b> {units.sentence(finding.text)}
          {onReasons ? (
            <Input.TextArea
              aria-label={`Why it may stand: ${units.sentence(finding.text)}`}
              placeholder="why it may stand; published beside it"
              autoSize={{ minRows: 1, maxRows: 4 }}
              maxLength={2000}
              value={reasons[key] ?? acceptance?.reason ?? ''}
              onChange={(e) => onReasons({ ...reasons, [key]: e.target.value })}
            />
          ) : acceptance ? (
            <div className="quote">
              {acceptance.reason} <span className="muted">({acceptance.by})</span>
            </div>
          ) : (
            <div className="muted">Nobody has accepted it.</div>
          )}
        </li>
      ))}
    </ul>
  );
}
