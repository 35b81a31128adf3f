import { createBrowserRouter, Navigate } from 'react-router';
import { RecordPage } from '../places/records/RecordPage';
import { RecordsPage } from '../places/records/RecordsPage';
import { EditionPage } from '../places/editions/EditionPage';
import { EditionsPage } from '../places/editions/EditionsPage';
import { PeoplePage } from '../places/accounts/PeoplePage';
import { AssemblyPage } from '../places/library/AssemblyPage';
import { CutterPage } from '../places/library/CutterPage';
import { HolderPage } from '../places/library/HolderPage';
import { LibraryPage } from '../places/library/LibraryPage';
import { LookupPage } from '../places/lookup/LookupPage';
import { ShopPage } from '../places/shop/ShopPage';
import { useApp } from './session';
import { Shell } from './Shell';

function Home() {
  const { session } = useApp();
  return (
    <Navigate
      replace
      to={
        session?.role === 'engineer'
          ? '/calculate'
          : session?.role === 'approver'
            ? '/records'
            : session?.role === 'administrator'
              ? '/people'
              : '/lookup'
      }
    />
  );
}

function Missing() {
  return (
    <div className="page">
      <h1>There is nothing here</h1>
      <p>The address leads nowhere. Choose a place above, or press / and search.</p>
    </div>
  );
}

export const router = createBrowserRouter([
  {
    element: <Shell />,
    children: [
      { index: true, element: <Home /> },
      { path: 'library/:kind?', element: <LibraryPage /> },
      { path: 'library/cutters/:id', element: <CutterPage /> },
      { path: 'library/holders/:id', element: <HolderPage /> },
      { path: 'library/assemblies/:id', element: <AssemblyPage /> },
      { path: 'shop/:kind?', element: <ShopPage /> },
      { path: 'calculate', lazy: async () => ({ Component: (await import('../places/calculate/CalculatePage')).CalculatePage }) },
      { path: 'records', element: <RecordsPage /> },
      { path: 'records/:number', element: <RecordPage /> },
      { path: 'editions', element: <EditionsPage /> },
      { path: 'editions/:number', element: <EditionPage /> },
      { path: 'lookup', element: <LookupPage /> },
      { path: 'people', element: <PeoplePage /> },
      { path: '*', element: <Missing /> },
    ],
  },
]);
