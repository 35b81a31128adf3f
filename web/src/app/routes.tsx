import { createBrowserRouter, Navigate } from 'react-router';
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
      { path: 'library/:kind?', lazy: async () => ({ Component: (await import('../places/library/LibraryPage')).LibraryPage }) },
      { path: 'library/import', lazy: async () => ({ Component: (await import('../places/library/ImportPage')).ImportPage }) },
      { path: 'library/duplicates', lazy: async () => ({ Component: (await import('../places/library/DuplicatesPage')).DuplicatesPage }) },
      { path: 'library/cutters/:id', lazy: async () => ({ Component: (await import('../places/library/CutterPage')).CutterPage }) },
      { path: 'library/holders/:id', lazy: async () => ({ Component: (await import('../places/library/HolderPage')).HolderPage }) },
      { path: 'library/assemblies/:id', lazy: async () => ({ Component: (await import('../places/library/AssemblyPage')).AssemblyPage }) },
      { path: 'shop/:kind?', lazy: async () => ({ Component: (await import('../places/shop/ShopPage')).ShopPage }) },
      { path: 'shop/materials/:id', lazy: async () => ({ Component: (await import('../places/shop/MaterialPage')).MaterialPage }) },
      { path: 'shop/methods/:id', lazy: async () => ({ Component: (await import('../places/shop/MethodPage')).MethodPage }) },
      { path: 'shop/machines/:id', lazy: async () => ({ Component: (await import('../places/shop/MachinePage')).MachinePage }) },
      { path: 'calculate', lazy: async () => ({ Component: (await import('../places/calculate/CalculatePage')).CalculatePage }) },
      { path: 'calculate/groups', lazy: async () => ({ Component: (await import('../places/calculate/groups/GroupsPage')).GroupsPage }) },
      { path: 'calculate/groups/:id', lazy: async () => ({ Component: (await import('../places/calculate/groups/GroupPage')).GroupPage }) },
      { path: 'records', lazy: async () => ({ Component: (await import('../places/records/RecordsPage')).RecordsPage }) },
      { path: 'records/:number', lazy: async () => ({ Component: (await import('../places/records/RecordPage')).RecordPage }) },
      { path: 'editions', lazy: async () => ({ Component: (await import('../places/editions/EditionsPage')).EditionsPage }) },
      { path: 'editions/:number', lazy: async () => ({ Component: (await import('../places/editions/EditionPage')).EditionPage }) },
      { path: 'lookup', lazy: async () => ({ Component: (await import('../places/lookup/LookupPage')).LookupPage }) },
      { path: 'password', lazy: async () => ({ Component: (await import('../places/accounts/PasswordPage')).PasswordPage }) },
      { path: 'people', lazy: async () => ({ Component: (await import('../places/accounts/PeoplePage')).PeoplePage }) },
      { path: '*', element: <Missing /> },
    ],
  },
]);
