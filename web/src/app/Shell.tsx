import { Suspense, useEffect, useState, useSyncExternalStore } from 'react';
import { Outlet, useLocation } from 'react-router';
import { lazily } from '../api/busy';
import { useApp } from '../parts/session';
import { usePlace } from './usePlace';
import { useRegions } from './useRegions';

// Whoever only signs in need not wait for the search box and the menus.
const Bar = lazily(() => import('./Bar'));
const SignInPage = lazily(() => import('../places/accounts/SignInPage'));

/** The one bar on top, and the place below it. A session that ends leaves the place standing. */
export function Shell() {
  const { session, expired } = useApp();
  const online = useOnline();
  usePlace();
  useRegions();
  // The link of somebody who gives a password is for them alone, whoever is signed in here.
  const joining = useLocation().pathname === '/join';
  if (session === null || joining)
    return (
      <Suspense fallback={null}>
        <SignInPage joining={joining} />
      </Suspense>
    );
  return (
    <>
      <a className="skip" href="#place">
        Skip to the page; F6 goes from part to part
      </a>
      <Suspense fallback={<header className="bar" />}>
        <Bar />
      </Suspense>
      {!online && (
        <p className="offline" role="alert">
          No network. What stands here is as it was before; nothing is worked out or saved until it is back, and nothing is sent later by
          itself.
        </p>
      )}
      {expired && (
        <Suspense fallback={null}>
          <SignInPage again />
        </Suspense>
      )}
      <main id="place">
        <Outlet />
      </main>
      <Printed by={session.fullName} />
    </>
  );
}

function useOnline(): boolean {
  return useSyncExternalStore(
    (changed) => {
      window.addEventListener('online', changed);
      window.addEventListener('offline', changed);
      return () => {
        window.removeEventListener('online', changed);
        window.removeEventListener('offline', changed);
      };
    },
    () => navigator.onLine,
  );
}

// What stands on paper does not change by itself: it says when it was printed, and that it may no longer hold.
function Printed({ by }: { by: string }) {
  const [at, setAt] = useState(() => new Date());
  useEffect(() => {
    const now = () => setAt(new Date());
    window.addEventListener('beforeprint', now);
    return () => window.removeEventListener('beforeprint', now);
  }, []);
  return (
    <footer className="printed">
      Printed {at.toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' })} by {by}. Valid until withdrawn: look it up before
      you use it.
    </footer>
  );
}
