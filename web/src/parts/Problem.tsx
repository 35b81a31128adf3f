import { ApiError } from '../api/client';
import { useUnits } from './session';

/** What went wrong, in words, where it went wrong. */
export function Problem({ error }: { error: unknown }) {
  const units = useUnits();
  if (!error) return null;
  const says = error instanceof Error ? error.message : typeof error === 'string' ? error : 'Something failed; load the page again.';
  return (
    <p className="problem" role="alert">
      {units.told(says)}
    </p>
  );
}

/** Every refused value in its own sentence, or what went wrong at all. */
export function Refusals({ error }: { error: unknown }) {
  const refused = error instanceof ApiError ? Object.values(error.byField) : [];
  return refused.length === 0 ? <Problem error={error} /> : refused.map((sentence) => <Problem key={sentence} error={sentence} />);
}
