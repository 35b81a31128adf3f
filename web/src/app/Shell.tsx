import { lazy, Suspense } from 'react';
import { Outlet } from 'react-router';
import { SignInPage } from '../places/accounts/SignInPage';
import { useApp } from './session';

// Whoever only signs in need not wait for the search box and the menus.
const Bar = lazy(() => import('./Bar'));

/** The one bar on top, and the place below it. A session that ends leaves the place standing. */
export function Shell() {
  const { session, expired } = useApp();
  if (session === null) return <SignInPage />;
  return (
    <>
      <a className="skip" href="#place">
        Skip to the page
      </a>
      <Suspense fallback={<header className="bar" />}>
        <Bar />
      </Suspense>
      {expired && <SignInPage again />}
      <main id="place">
        <Outlet />
      </main>
    </>
  );
}
