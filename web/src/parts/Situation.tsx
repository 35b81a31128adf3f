import type { UnitFormat } from './units';
import type { Schemas } from '../api/client';
import { useUnits } from './session';
import { groupColours } from './looks';

/** A work material with the stripe and letter of its ISO 513 group. */
export function MaterialName({ name, group, hardness }: { name: string; group: string; hardness?: number | undefined }) {
  return (
    <span className="material" style={{ borderLeftColor: groupColours[group] }}>
      {name}
      {hardness ? `, ${hardness} HB` : ''} <small>{group}</small>
    </span>
  );
}

/** The size people call a cutter by: what turns by its diameter and teeth, what stands still by its shank. */
export const sizeOf = (s: Schemas['SituationWords'], units: UnitFormat): string =>
  s.turning ? `shank ${units.size(s.diameter)}` : `Ø${units.size(s.diameter)} z${s.teeth}`;

/** The situation as one sentence, as it heads records, editions and lookups. */
export function SituationSentence({ s }: { s: Schemas['SituationWords'] }) {
  const units = useUnits();
  return (
    <>
      <b>{s.operationName}</b> of <MaterialName name={s.material} group={s.group} hardness={s.hardness} /> with <b>{s.assembly}</b>,{' '}
      {sizeOf(s, units)}, {units.size(s.projection)} {units.system} out of a {s.holder}, on <b>{s.machine}</b>
    </>
  );
}

const STATES: Record<Schemas['RecordState'], string> = {
  draft: 'draft',
  inReview: 'in review',
  approved: 'approved',
  withdrawn: 'withdrawn',
  discarded: 'discarded',
};

/** Where a record stands, in words with a mark of its own for each state. */
export function StateMark({ state, sentBack, ended }: { state: Schemas['RecordState']; sentBack?: boolean; ended?: boolean }) {
  const [look, words] = sentBack ? ['sentback', 'sent back'] : ended ? ['ended', 'ended'] : [state, STATES[state]];
  return <span className={`state ${look}`}>{words}</span>;
}
