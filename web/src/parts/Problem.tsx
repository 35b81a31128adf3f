import { ApiError } from '../api/client';
import { useUnits } from './session';

/** What went wrong, in words, where it went wrong. */
export function Problem({ error }: { error: unknown }) {
  const units = useUnits();
  if (!error) return null;
  return (
    <p className="problem" role="alert">
      {units.told(error instanceof Error ? error.message : 'Something failed; load the page again.')}
    </p>
  );
}

/** Every refused value in its own sentence, or what went wrong at all. */
export function Refusals({ error }: { error: unknown }) {
  const refused = error instanceof ApiError ? Object.values(error.byField) : [];
  return refused.length === 0 ? <Problem error={error} /> : refused.map((sentence) => <Problem key={sentence} error={sentence} />);
}
