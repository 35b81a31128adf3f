import { useMutation } from '@tanstack/react-query';
import { Button } from 'antd';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { client, data, type Schemas } from '../api/client';
import { useUnits } from './session';
import { Problem } from './Problem';
import type { UnitFormat } from './units';
import { SituationSentence, StateMark } from './Situation';

/** Kinds of things that records rest on, by where they are kept. */
export type Rests =
  'library/cutters' | 'library/holders' | 'library/assemblies' | 'shop/materials' | 'shop/machines' | 'shop/charts' | 'shop/threads';

/** Which records a change would touch, asked before it is saved. */
export function useTouched(of: Rests | undefined, id: number | undefined, definition: object) {
  const asked = useMutation({
    mutationFn: () =>
      data(
        client.POST(`/api/v1/${of}/{id}/touched` as '/api/v1/shop/machines/{id}/touched', {
          params: { path: { id: id! } },
          body: definition as never,
        }),
      ),
  });
  // What was found belongs to what was typed then.
  const { reset } = asked;
  useEffect(() => reset(), [definition, reset]);
  return asked;
}

/** What a change would do to the records that rest on the thing. */
export function Touches({ asked, onClose }: { asked: ReturnType<typeof useTouched>; onClose: () => void }) {
  const touched = asked.data;
  if (!touched) return <Problem error={asked.error} />;
  return (
    <section className={touched.breaks > 0 ? 'card stalebox' : 'card holdsbox'} role="status" aria-label="What this change touches">
      <p>
        <b>{summary(touched)}</b>{' '}
        <Button type="link" onClick={onClose}>
          Close
        </Button>
      </p>
      {touched.looked < touched.rest && (
        <p className="warn">
          Looked at {touched.looked} of them, those in force and changed last first; once it is saved, all that goes stale is told under
          Records.
        </p>
      )}
      {touched.records.length > 0 && (
        <ul className="touched">
          {touched.records.map((r) => (
            <li key={`${r.number} ${r.revision}`}>
              <Link to={`/records/${r.number}?rev=${r.revision}`}>{`${r.number} rev ${r.revision}`}</Link> <StateMark state={r.state} />{' '}
              <SituationSentence s={r.situation} /> <How record={r} />
            </li>
          ))}
        </ul>
      )}
      {touched.moves > touched.records.length && <p className="muted">And {touched.moves - touched.records.length} more.</p>}
    </section>
  );
}

const many = (n: number, one: string) => (n === 1 ? `one ${one}` : `${n} ${one}s`);

function summary({ looked: rest, moves, breaks }: Schemas['Touched']): string {
  if (rest === 0) return 'No record rests on what changes here.';
  if (moves === 0)
    return `No figure moves: ${many(rest, 'record')} that rest${rest === 1 ? 's' : ''} on this hold${rest === 1 ? 's' : ''}.`;
  const said = `Saved like this, ${many(moves, 'record')} of ${rest} go${moves === 1 ? 'es' : ''} stale`;
  if (breaks === 0) return `${said}; none breaks a limit.`;
  if (breaks === 1) return `${said}, and ${moves === 1 ? 'breaks' : 'one of them breaks'} a limit.`;
  return `${said}, and ${breaks === moves ? 'all' : breaks} of them break a limit.`;
}

type Move = Pick<Schemas['TouchedRecord'], 'breaks' | 'refused' | 'foremost'>;

/** What moves in a record: what breaks, or the figure to tell first. */
export function moveWords({ breaks, refused, foremost }: Move, units: UnitFormat): string {
  if (refused) return `It can no longer be calculated: ${refused}`;
  const figure =
    foremost && `${foremost.name} ${units.text(foremost.from!, foremost.quantity)} → ${units.text(foremost.to!, foremost.quantity)}.`;
  if (breaks) return [units.sentence(breaks), figure].filter(Boolean).join(' ');
  return figure ?? 'No figure moves; how near it comes to a limit does.';
}

function How({ record: r }: { record: Schemas['TouchedRecord'] }) {
  const units = useUnits();
  return (
    <span className={r.broken ? 'stale broken' : 'stale'}>
      · {r.already && 'stale already; '}
      {moveWords(r, units)}
    </span>
  );
}
