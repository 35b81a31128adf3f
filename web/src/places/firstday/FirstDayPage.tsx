import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { useApp } from '../../parts/session';
import { Problem } from '../../parts/Problem';
import { STEPS, type Step } from './steps';
import { useFirstDay } from './useFirstDay';

type Day = Schemas['FirstDayView'];

/** What stands between an empty workshop and its first published figure, in the order of the trade; ticked as it comes. */
export function FirstDayPage() {
  const { session } = useApp();
  const day = useFirstDay();
  if (!day.data)
    return (
      <div className="page">
        <Problem error={day.error} />
      </div>
    );
  const next = STEPS.find((s) => !s.done(day.data));
  const done = STEPS.filter((s) => s.done(day.data)).length;
  return (
    <div className="page firstday">
      <header>
        <h1>The first day</h1>
        <span className="muted">
          {next ? `${done} of ${STEPS.length} are there` : 'All is there: this page is found again under Guide in your menu.'}
        </span>
      </header>
      <p className="intro">
        A figure that an operator may trust needs all of these. Begin at the top; whatever is there already is ticked, whoever made it.
      </p>
      <ol className="steps">
        {STEPS.map((step) => (
          <StepLine key={step.code} step={step} day={day.data} next={step === next} role={session?.role ?? 'reader'} />
        ))}
      </ol>
    </div>
  );
}

function StepLine({ step, day, next, role }: { step: Step; day: Day; next: boolean; role: Schemas['Role'] }) {
  const done = step.done(day);
  const may = step.who.includes(role);
  return (
    <li className={done ? 'done' : next ? 'next' : ''} data-step={step.code} aria-current={next ? 'step' : undefined}>
      <span className="tick" aria-hidden>
        {done ? '✓' : ''}
      </span>
      <div>
        <b>
          {step.name}
          <span className="sr">{done ? ', there' : ', missing'}</span>
        </b>
        <p>{step.why}</p>
      </div>
      <span className="count">{step.count(day)}</span>
      <span className="ways">
        {may
          ? step.ways.map(([words, to], i) => (
              <Link key={to} to={to} className={next && i === 0 ? 'go first' : 'go'}>
                {words}
              </Link>
            ))
          : !done && (
              <span className="muted">{step.who.includes('engineer') ? 'An engineer does this' : `An ${step.who[0]} does this`}</span>
            )}
      </span>
    </li>
  );
}
