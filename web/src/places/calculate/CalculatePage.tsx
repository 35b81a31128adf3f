import { Suspense, useEffect, useMemo } from 'react';
import { lazily } from '../../api/busy';
import { useUnits } from '../../parts/session';
import { LimitLadder } from '../../parts/LimitLadder';
import { Problem } from '../../parts/Problem';
import { useMachines, useMaterials } from '../../parts/shelf';
import { Aids } from './Aids';
import { Choices } from './Choices';
import { Figures } from './Figures';
import { Keeping } from './Keeping';
import { withAnother } from './address';
import { asTyped, type Page } from './page';
import { PICTURES } from './pictures/pictures';
import { choicesOf, CYCLES, drilledWith, requestOf, unknownTo } from './request';
import { Sentence } from './Sentence';
import { Turns } from './turns/Turns';
import { useAddress } from './useAddress';
import { useCalculation } from './useCalculation';
import { useSituation } from './useSituation';

const NEEDED = ['machine', 'material', 'cutter', 'holder', 'assembly', 'chart'];
// Needed only where the assembly cannot do the operation, and in a workshop that is not whole yet.
const Fitting = lazily(() => import('./Fitting'));
const StillMissing = lazily(async () => ({ default: (await import('../firstday/Missing')).StillMissing }));

/** From one sentence to figures, limits and their derivation, and from there to a draft record. */
export function CalculatePage() {
  const units = useUnits();
  const address = useAddress();
  const { chosen, change, adjust } = address;
  const where = useSituation(address);
  const { operation, assembly, cutter, complete } = where;
  const bare = [useMaterials(), useMachines()].some((all) => all.data?.length === 0);

  const choices = useMemo(() => choicesOf(chosen, operation), [chosen, operation]);
  const body = requestOf(complete, choices);
  const { query, result, refused } = useCalculation(complete, body, chosen.show === 'derivation');

  // How an existing hole is drilled is kept the first time it is known: another cutter or material can change it unseen.
  const cycle = query.isPlaceholderData ? undefined : query.data?.figures.find((f) => f.code === 'cycle')?.value;
  useEffect(() => {
    if (cycle === undefined || !chosen.before || chosen.before.cycle) return;
    adjust((c) => ({ before: { ...c.before!, cycle: CYCLES[cycle]!, about: drilledWith(c) } }));
  }, [adjust, chosen.before, cycle]);

  // While another operation is worked out, everything still shows the one the figures belong to.
  const shown = where.operations?.find((o) => o.code === result?.operation);
  const page: Page | null =
    result && shown && complete && cutter && assembly
      ? {
          operation: shown,
          situation: complete,
          result,
          cutter,
          assembly,
          extras: body.extras ?? [],
          body,
          refused,
          address,
          take: (numbers, step) => change(step, (c) => ({ numbers: { ...c.numbers, ...asTyped(numbers, shown, units) } })),
        }
      : null;
  const picture = page && PICTURES[page.operation.picture];
  const atFields = Object.keys(refused).some(
    (f) => operation?.fields.some((o) => o.code === f) || /^(edits|crossHoles|threadToCut|turnedOutline)/.test(f),
  );
  const unknown = where.operations ? unknownTo(chosen, where.operations) : [];

  return (
    <div className="calculate">
      <h1 className="sr">
        {operation ? `Calculate: ${[operation.name, assembly?.definition.number].filter(Boolean).join(' with ')}` : 'Calculate'}
      </h1>
      <Sentence where={where} address={address} />
      {complete && operation && (
        <Aids situation={complete} operation={operation} body={body} result={result} cutter={cutter} address={address} />
      )}
      <div className={`work ${query.isError ? 'stale-figures' : ''}`}>
        {operation && (
          <Choices
            operation={operation}
            turnsWork={where.machine?.definition.main != null}
            result={result}
            refused={refused}
            address={address}
            elsewhere={picture?.holds}
          />
        )}
        <section className="centre" aria-label="Picture" data-region tabIndex={-1}>
          <h2 className="sr">Picture</h2>
          {where.missing.map((sentence) => (
            <Problem key={sentence} error={`${sentence} Choose another in the sentence above.`} />
          ))}
          {unknown.length > 0 && (
            <p className="muted" role="status">
              Nothing here reads this part of the address: {unknown.join(', ')}.{' '}
              <button className="why" onClick={() => change('unread', without(chosen, unknown))}>
                Leave it out
              </button>
            </p>
          )}
          <Problem error={(atFields ? null : query.error) ?? where.error} />
          {bare && (
            <Suspense fallback={null}>
              <StillMissing of={NEEDED} />
            </Suspense>
          )}
          {operation && where.instead && (
            <Suspense fallback={null}>
              <Fitting
                operation={operation}
                cutter={cutter}
                rows={where.instead}
                onTake={(id) => change('assembly', (c) => withAnother(c, id))}
              />
            </Suspense>
          )}
          {!result && atFields && (
            <p className="muted">
              Nothing can be worked out yet: correct what is marked among the choices, or press Escape there for the proposal.
            </p>
          )}
          {page && picture!.show(page, page)}
          {page && <Turns page={page} />}
        </section>
        <section className="outcome" aria-label="Figures and limits" data-region tabIndex={-1}>
          <h2 className="sr">Figures and limits</h2>
          {result && (
            <>
              <Figures result={result} onWhy={(why) => adjust({ why, show: 'derivation' })} />
              <LimitLadder limits={result.limits} />
            </>
          )}
        </section>
      </div>
      <Keeping address={address} page={page} choices={choices} refused={query.isError} />
    </div>
  );
}

const without = (chosen: Page['address']['chosen'], unknown: string[]) => {
  const rest = <T,>(all: Record<string, T>, mark: string) =>
    Object.fromEntries(Object.entries(all).filter(([code]) => !unknown.includes(`${mark}.${code}`)));
  return { unread: [], numbers: rest(chosen.numbers, 'n'), picks: rest(chosen.picks, 'o') };
};
