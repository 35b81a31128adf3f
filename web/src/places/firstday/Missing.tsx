import { Link } from 'react-router';
import { STEPS } from './steps';
import { useFirstDay } from './useFirstDay';

/** Where a page has nothing to show because the workshop lacks something: what it lacks, of some, and where it is made. */
export function StillMissing({ of }: { of: readonly string[] }) {
  const day = useFirstDay();
  const missing = STEPS.filter((s) => of.includes(s.code) && day.data && !s.done(day.data));
  if (missing.length === 0) return null;
  return (
    <section className="card" role="status">
      <p>
        The workshop has no {missing.map((s) => s.name.toLowerCase()).join(', no ')} yet. <Link to="/first-day">The first day</Link> shows
        what is needed, and where each is made.
      </p>
    </section>
  );
}
