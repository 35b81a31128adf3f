import type { ComponentType } from 'react';
import { createBrowserRouter, type RouteObject } from 'react-router';
import { whileBusy } from '../api/busy';
import { Broken } from './Broken';
import { Missing } from '../parts/Missing';
import { Shell } from './Shell';

// A page that fails, or cannot be fetched, takes nothing else with it.
const page = (path: string, load: () => Promise<ComponentType>): RouteObject => ({
  path,
  lazy: async () => ({ Component: await whileBusy(load()).catch((error: unknown) => () => <Broken error={error} />) }),
  errorElement: <Broken />,
});

// Read on a phone at the machine: it does without the library of components.
const LOOKUP = page('lookup', async () => (await import('../places/lookup/LookupPage')).LookupPage);

const PAGES: RouteObject[] = [
  page('library/:kind?', async () => (await import('../places/library/LibraryPage')).LibraryPage),
  page('library/import', async () => (await import('../places/library/ImportPage')).ImportPage),
  page('library/duplicates', async () => (await import('../places/library/DuplicatesPage')).DuplicatesPage),
  page('library/cutters/:id', async () => (await import('../places/library/CutterPage')).CutterPage),
  page('library/holders/:id', async () => (await import('../places/library/HolderPage')).HolderPage),
  page('library/assemblies/:id', async () => (await import('../places/library/AssemblyPage')).AssemblyPage),
  page('shop/:kind?', async () => (await import('../places/shop/ShopPage')).ShopPage),
  page('shop/starters', async () => (await import('../places/shop/StartersPage')).StartersPage),
  page('shop/materials/:id', async () => (await import('../places/shop/MaterialPage')).MaterialPage),
  page('shop/methods/:id', async () => (await import('../places/shop/MethodPage')).MethodPage),
  page('shop/threads/listed', async () => (await import('../places/shop/ListedThreadPage')).ListedThreadPage),
  page('shop/threads/:id', async () => (await import('../places/shop/OwnThreadPage')).OwnThreadPage),
  page('shop/machines/:id', async () => (await import('../places/shop/MachinePage')).MachinePage),
  page('calculate', async () => (await import('../places/calculate/CalculatePage')).CalculatePage),
  page('calculate/groups', async () => (await import('../places/calculate/groups/GroupsPage')).GroupsPage),
  page('calculate/groups/:id', async () => (await import('../places/calculate/groups/GroupPage')).GroupPage),
  page('records', async () => (await import('../places/records/RecordsPage')).RecordsPage),
  page('records/coverage', async () => (await import('../places/coverage/CoveragePage')).CoveragePage),
  page('records/:number', async () => (await import('../places/records/RecordPage')).RecordPage),
  page('editions', async () => (await import('../places/editions/EditionsPage')).EditionsPage),
  page('editions/:number', async () => (await import('../places/editions/EditionPage')).EditionPage),
  page('editions/:number/differences', async () => (await import('../places/editions/DifferencesPage')).DifferencesPage),
  page('history', async () => (await import('../places/history/HistoryPage')).HistoryPage),
  page('absences', async () => (await import('../places/accounts/AbsencePage')).AbsencePage),
  page('mail', async () => (await import('../places/accounts/MailPage')).MailPage),
  page('account', async () => (await import('../places/accounts/AccountPage')).AccountPage),
  page('gallery', async () => (await import('../places/gallery/GalleryPage')).GalleryPage),
  page('first-day', async () => (await import('../places/firstday/FirstDayPage')).FirstDayPage),
  page('guide/:page?', async () => (await import('../places/guide/GuidePage')).GuidePage),
  page('people', async () => (await import('../places/accounts/PeoplePage')).PeoplePage),
  page('server', async () => (await import('../places/accounts/ServerPage')).ServerPage),
];

export const router = createBrowserRouter([
  {
    element: <Shell />,
    children: [
      { index: true, lazy: async () => ({ Component: (await whileBusy(import('./Home'))).Home }) },
      LOOKUP,
      { lazy: async () => ({ Component: (await whileBusy(import('../parts/Themed'))).ThemedPage }), children: PAGES },
      { path: '*', element: <Missing /> },
    ],
  },
]);
