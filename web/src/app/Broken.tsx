import { useRouteError } from 'react-router';

/** A page that failed, in the place of it: the rest of the application goes on. */
export function Broken({ error: given }: { error?: unknown }) {
  const thrown = useRouteError();
  const error = given ?? thrown;
  return (
    <div className="page">
      <h1>This page failed</h1>
      <p>
        What was saved is safe. Load the page again; what stood in its address stands there still. If it fails again, tell whoever looks
        after Incisura what you did and what it says here:
      </p>
      <p className="mono">{error instanceof Error ? error.message : String(error)}</p>
      <button className="plain" onClick={() => window.location.reload()}>
        Load it again
      </button>
    </div>
  );
}
