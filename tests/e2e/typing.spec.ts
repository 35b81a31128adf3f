import { expect, test, type Browser, type Page } from './workshop';
import { comeInAs, figure } from './people';

// So much bend is allowed that nothing is held back from the chart.
const START = '/calculate?op=side-rough&material=1&assembly=6&machine=1&n.deflectionAllowed=90';
/** The page with its first proposal in place; before that a box has nothing to replace. */
async function start(browser: Browser): Promise<Page> {
  const page = await comeInAs(browser, 'Maren Osk', START);
  await expect(page.getByLabel('Width, at most')).toHaveValue('2.4');
  return page;
}

const typedBase = (url: string, code: string) => new URL(url).searchParams.get(`n.${code}`)?.split('~')[0];

test('boxes take sums, fractions and units, and show the result', async ({ browser }) => {
  const page = await start(browser);
  const width = page.getByLabel('Width, at most');
  for (const [text, base] of [
    ['5/16', 0.3125],
    ['.6-.025', 0.575],
    ['180-37.5-141', 1.5],
    ['2mm', 2],
    ['0.1in', 2.54],
    ['3/32"', 2.38125],
    ['1 1/2', 1.5],
    ['2,5', 2.5],
    ['2*(1+0.5)', 3],
  ] as const) {
    await width.fill(text);
    await expect.poll(() => Number(typedBase(page.url(), 'widthOfCut')), text).toBe(base);
    await expect(width).toHaveValue(text);
  }
  await width.fill('5/16');
  await expect(page.getByText(/= 0\.31\d* mm/)).toBeVisible();
});

test('what cannot be taken stays in the box with the reason, and one key gives the proposal back', async ({ browser }) => {
  const page = await start(browser);
  const width = page.getByLabel('Width, at most');
  const feed = await figure(page, 'feedRate');
  for (const [text, reason] of [
    ['abc', /cannot be read|is not a number/],
    ['1/0', /no finite value/],
    ['-3', /must lie between/],
    ['0', /must lie between/],
    ['99', /must lie between 0.001 and 12 mm/],
    ['1e308', /must lie between/],
    ['NaN', /no finite value|cannot be read|is not a number/],
    ['2mm+3', /every term/],
  ] as const) {
    await width.fill(text);
    await expect(page.getByRole('alert').filter({ hasText: reason }), text).toBeVisible();
    await expect(width).toHaveValue(text);
  }
  await width.press('Escape');
  await expect(width).toHaveValue('2.4');
  await expect.poll(() => figure(page, 'feedRate')).toBe(feed);
});

test('a proposal that changes under the cursor is replaced by what is typed, and never joins its digits', async ({ browser }) => {
  const page = await start(browser);
  const height = page.getByLabel('Wall height');
  let answer = () => {};
  const held = new Promise<void>((resolve) => (answer = resolve));
  await page.route('**/calculations/side-rough?*', async (route) => {
    await held;
    await route.continue();
  });
  await page.getByLabel('Depth, at most').fill('10');
  await height.focus();
  answer();
  await expect(height).toHaveValue('10');
  await page.keyboard.type('24');
  await expect(height).toHaveValue('24');
});

test('arrow keys step, Shift tenfold and Alt a tenth', async ({ browser }) => {
  const page = await start(browser);
  const width = page.getByLabel('Width, at most');
  await width.focus();
  for (const [key, value] of [
    ['ArrowUp', '2.5'],
    ['Shift+ArrowUp', '3.5'],
    ['Alt+ArrowDown', '3.49'],
    ['ArrowDown', '3.39'],
  ] as const) {
    await width.press(key);
    await expect(width, key).toHaveValue(value);
  }
});

test('switching the units twice changes no bit of what was typed', async ({ browser }) => {
  const page = await start(browser);
  const width = page.getByLabel('Width, at most');
  const units = page.getByRole('group', { name: 'Units' });
  const proposed = await figure(page, 'feedRate');
  await width.fill('2.3456789');
  await expect.poll(() => typedBase(page.url(), 'widthOfCut')).toBe('2.3456789');
  await expect.poll(() => figure(page, 'feedRate')).not.toBe(proposed);
  const speed = await figure(page, 'feedRate');
  await units.getByRole('button', { name: 'in' }).click();
  await expect(page.locator('[data-figure="feedRate"]')).toContainText('in/min');
  await expect(page.getByText('Ø15/32', { exact: false })).toHaveCount(0);
  await units.getByRole('button', { name: 'mm' }).click();
  await expect(width).toHaveValue('2.3456789');
  expect(typedBase(page.url(), 'widthOfCut')).toBe('2.3456789');
  await expect.poll(() => figure(page, 'feedRate')).toBe(speed);
  await units.getByRole('button', { name: 'in' }).click();
  await width.fill('3/32');
  await expect.poll(() => typedBase(page.url(), 'widthOfCut')).toBe('2.38125');
});

test('the point in the operating window moves with pointer and keys, and all figures follow', async ({ browser }) => {
  const page = await start(browser);
  const window = page.getByRole('application', { name: /Operating window/ });
  await expect(window.getByText('deflection')).toBeVisible();
  const box = (await window.boundingBox())!;
  const removal = await figure(page, 'removalRate');
  await page.mouse.move(box.x + box.width * 0.2, box.y + box.height * 0.7);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.15, box.y + box.height * 0.75);
  await page.mouse.up();
  await expect.poll(() => figure(page, 'removalRate')).not.toBe(removal);
  const width = Number(typedBase(page.url(), 'widthOfCut'));
  expect(width).toBeGreaterThan(0);
  await window.press('ArrowRight');
  await expect.poll(() => Number(typedBase(page.url(), 'widthOfCut'))).toBeGreaterThan(width);
});
