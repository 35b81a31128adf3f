import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { comeInAs } from './people';

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
const ALL = Object.values(PAGES).flat();
const ONE_OF_EACH = Object.values(PAGES).map(([first]) => first!);

test('no page of the application is left out here', () => {
  const routes = readFileSync(resolve(__dirname, '../../web/src/app/routes.tsx'), 'utf8');
  const named = [...routes.matchAll(/page\('([^']+)'|path: '([^']+)'/g)].map((m) => m[1] ?? m[2]!);
  expect(named.toSorted()).toEqual([...Object.keys(PAGES), ...ELSEWHERE].toSorted());
});

const open = async (page: Page, path: string) => {
  await page.goto(path);
  await page.waitForLoadState('networkidle');
};

const inWords = (found: Awaited<ReturnType<AxeBuilder['analyze']>>) =>
  found.violations.map((v) => {
    const where = v.nodes.map((n) => n.target.join(' ')).slice(0, 4);
    return `${v.id}: ${where.join(', ')}`;
  });

test('everybody can use every page', async ({ browser }) => {
  test.setTimeout(480_000);
  const page = await comeInAs(browser, 'Tobiah Fenwright', '/lookup');
  const titles = new Map<string, string>();
  for (const path of ALL)
    await test.step(path, async () => {
      await open(page, path);
      const found = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']).analyze();
      expect.soft(inWords(found), path).toEqual([]);
      expect.soft(await page.locator('h1').count(), `h1 of ${path}`).toBe(1);
      titles.set(path.split('?')[0]!, await page.title());
    });
  // A page is known by its title, in tabs, in the history and by readers of the screen.
  expect([...titles].filter(([, title]) => !/\S · Incisura$/.test(title))).toEqual([]);
  expect(new Set(titles.values()).size).toBe(titles.size);
});

test('everybody can come in', async ({ browser }) => {
  const page = await (await browser.newContext()).newPage();
  await open(page, '/lookup');
  await expect(page.locator('input[type=password]')).toBeVisible();
  expect(inWords(await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']).analyze())).toEqual([]);
  expect(await page.locator('h1').count()).toBe(1);
});

for (const look of ['dark', 'contrast'])
  test(`every page can be read in the look ${look}`, async ({ browser }) => {
    test.setTimeout(480_000);
    const page = await comeInAs(browser, 'Tobiah Fenwright', '/lookup');
    await page.evaluate((to) => localStorage.setItem('look', to), look);
    for (const path of ONE_OF_EACH)
      await test.step(path, async () => {
        await open(page, path);
        expect(await page.evaluate(() => document.documentElement.dataset.look)).toBe(look);
        expect.soft(inWords(await new AxeBuilder({ page }).withRules(['color-contrast']).analyze()), path).toEqual([]);
      });
  });

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

test('every page fits a window of 320 px, and only tables and drawings scroll sideways in it', async ({ browser }) => {
  test.setTimeout(480_000);
  const page = await comeInAs(browser, 'Tobiah Fenwright', '/lookup', { width: 320, height: 700 });
  for (const path of ALL)
    await test.step(path, async () => {
      await open(page, path);
      expect.soft(await page.evaluate(beyond), path).toEqual([]);
    });
});
