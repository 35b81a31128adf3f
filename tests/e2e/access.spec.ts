import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import AxeBuilder from '@axe-core/playwright';
import { expect, open, quiet, test, type Page } from './workshop';
import { comeInAs } from './people';

// Both halves of the pages at once.
test.describe.configure({ mode: 'parallel' });

const WALL = '/calculate?op=side-rough&material=2&assembly=6&machine=1';
const HOLE = '/calculate?op=deep-hole&material=2&machine=1&cross=60~10~90~0';

/** Every page of the application, as its routes name it, with the addresses it is looked at by. */
const PAGES: Record<string, string[]> = {
  'library/:kind?': ['/library', '/library/cutters', '/library/holders'],
  'library/import': ['/library/import'],
  'library/duplicates': ['/library/duplicates'],
  'library/cutters/:id': ['/library/cutters/13', '/library/cutters/148', '/library/cutters/new'],
  'library/holders/:id': ['/library/holders/28'],
  'library/assemblies/:id': ['/library/assemblies/6'],
  'shop/:kind?': ['/shop', '/shop/machines', '/shop/charts', '/shop/methods', '/shop/threads'],
  'shop/starters': ['/shop/starters', '/shop/starters?kind=rows'],
  'shop/materials/:id': ['/shop/materials/1'],
  'shop/methods/:id': ['/shop/methods/1'],
  'shop/threads/listed': ['/shop/threads/listed?thread=M10', '/shop/threads/listed?thread=bolt'],
  'shop/threads/:id': ['/shop/threads/1', '/shop/threads/new?from=Tr40x7'],
  'shop/machines/:id': ['/shop/machines/1'],
  calculate: [
    ...['window', 'load', 'bend', 'passes', 'derivation', 'tray'].map((turn) => `${WALL}&n.cornerRadius=20&show=${turn}`),
    ...['stages', 'window', 'derivation'].map((turn) => `${HOLE}&show=${turn}`),
    '/calculate?op=drill&material=2&machine=1&n.depth=60',
    '/calculate?op=tap&material=2&assembly=6&machine=1',
    '/calculate?op=nothing&material=99',
  ],
  'calculate/groups': ['/calculate/groups'],
  'calculate/groups/:id': ['/calculate/groups/1'],
  records: ['/records', '/records?state=stale', '/records?state=inReview'],
  'records/coverage': ['/records/coverage', '/records/coverage?view=cutter&cutter=20', '/records/coverage?view=machines'],
  'records/:number': ['/records/R-0010', '/records/R-0017'],
  editions: ['/editions'],
  'editions/:number': ['/editions/1'],
  'editions/:number/differences': ['/editions/1/differences?from=1'],
  lookup: ['/lookup', '/lookup?q=A-1042'],
  history: ['/history', '/history?kind=edition'],
  absences: ['/absences'],
  mail: ['/mail'],
  account: ['/account'],
  'first-day': ['/first-day'],
  'guide/:page?': ['/guide', '/guide/speed-chart'],
  people: ['/people'],
  server: ['/server'],
  '*': ['/nowhere'],
};
// For those who draw; nobody works there.
const ELSEWHERE = ['gallery'];
const HALVES = [0, 1].map((half) => Object.values(PAGES).filter((_, i) => i % 2 === half));

test('no page of the application is left out here', () => {
  const routes = readFileSync(resolve(__dirname, '../../web/src/app/routes.tsx'), 'utf8');
  const named = [...routes.matchAll(/page\('([^']+)'|path: '([^']+)'/g)].map((m) => m[1] ?? m[2]!);
  expect(named.toSorted()).toEqual([...Object.keys(PAGES), ...ELSEWHERE].toSorted());
});

const EVERYTHING = ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'];
const WIDE = { width: 1280, height: 800 };
const NARROW = { width: 320, height: 700 };

const inWords = (found: Awaited<ReturnType<AxeBuilder['analyze']>>) =>
  found.violations.map((v) => {
    const where = v.nodes.map((n) => n.target.join(' ')).slice(0, 4);
    return `${v.id}: ${where.join(', ')}`;
  });

const inLook = async (page: Page, look: string) => {
  await page.evaluate((to) => {
    localStorage.setItem('look', to);
    window.dispatchEvent(new StorageEvent('storage', { key: 'look' }));
  }, look);
  await expect(page.locator(`html[data-look=${look}]`)).toBeAttached();
};

// Runs in the page: what reaches beyond its right edge and does not scroll within itself.
function beyond(): string[] {
  const edge = window.innerWidth + 1;
  const scrolls = (inner: Element) => {
    for (let e = inner.parentElement; e && e.id !== 'place'; e = e.parentElement)
      if (/(auto|scroll|hidden|clip)/.test(getComputedStyle(e).overflowX) && e.clientWidth <= edge) return true;
    return false;
  };
  const wide = [...document.querySelectorAll('body *')].filter((e) => {
    const box = e.getBoundingClientRect();
    return box.right > edge && box.width > 0 && !scrolls(e);
  });
  return wide
    .filter((e) => !wide.includes(e.parentElement!))
    .map((e) => `${e.tagName} ${e.className} to ${e.getBoundingClientRect().right}`);
}

for (const [i, half] of HALVES.entries())
  test(`everybody can use every page in every look, also in a window of 320 px: half ${i + 1}`, async ({ browser }) => {
    test.setTimeout(480_000);
    const page = await comeInAs(browser, 'Tobiah Fenwright', '/lookup', WIDE);
    await page.emulateMedia({ reducedMotion: 'reduce' });
    const titles = new Map<string, string>();
    for (const [first, ...others] of half)
      for (const path of [first!, ...others])
        await test.step(path, async () => {
          await open(page, path);
          const found = await new AxeBuilder({ page }).setLegacyMode().withTags(EVERYTHING).analyze();
          expect.soft(inWords(found), path).toEqual([]);
          expect.soft(await page.locator('h1').count(), `h1 of ${path}`).toBe(1);
          titles.set(path.split('?')[0]!, await page.title());

          if (path === first)
            for (const look of ['dark', 'contrast']) {
              await inLook(page, look);
              const faint = await new AxeBuilder({ page }).setLegacyMode().withRules(['color-contrast']).analyze();
              expect.soft(inWords(faint), `${path} in ${look}`).toEqual([]);
            }

          // Only tables and drawings scroll sideways in a narrow window; a page that is loaded anew there is the same one, in the same look.
          await page.setViewportSize(NARROW);
          if (path === first) {
            await page.reload();
            await quiet(page);
            await expect.soft(page).toHaveTitle(titles.get(path.split('?')[0]!)!);
            await expect.soft(page.locator('html[data-look=contrast]')).toBeAttached();
          }
          expect.soft(await page.evaluate(beyond), path).toEqual([]);
          await page.setViewportSize(WIDE);
          if (path === first) await inLook(page, 'light');
        });
    // A page is known by its title, in tabs, in the history and by readers of the screen.
    expect([...titles].filter(([, title]) => !/\S · Incisura$/.test(title))).toEqual([]);
    expect(new Set(titles.values()).size).toBe(titles.size);
  });

test('everybody can come in', async ({ browser }) => {
  const page = await (await browser.newContext()).newPage();
  await open(page, '/lookup');
  await expect(page.locator('input[type=password]')).toBeVisible();
  expect(inWords(await new AxeBuilder({ page }).setLegacyMode().withTags(EVERYTHING).analyze())).toEqual([]);
  expect(await page.locator('h1').count()).toBe(1);
});
