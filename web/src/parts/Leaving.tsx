import { Button } from 'antd';
import { useBlocker } from 'react-router';

/** Asks before a link of the page throws away what was typed and not saved. */
export function Leaving({ typed }: { typed: boolean }) {
  const blocker = useBlocker(({ currentLocation, nextLocation }) => typed && currentLocation.pathname !== nextLocation.pathname);
  if (blocker.state !== 'blocked') return null;
  return (
    <section className="card race leaving" role="alertdialog" aria-label="Not saved yet">
      <b>What you typed here is not saved yet.</b>
      <div className="acts">
        <Button type="primary" autoFocus onClick={() => blocker.reset()}>
          Stay here
        </Button>
        <Button danger onClick={() => blocker.proceed()}>
          Leave without it
        </Button>
      </div>
    </section>
  );
}
