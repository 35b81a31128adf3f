import { expect, test } from './workshop';
import { choose, comeInAs, figure } from './people';

const WALL = '/calculate?op=side-rough&material=2&assembly=6&machine=1';

test('rough with stock left, then finish what was left', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/calculate?op=side-rough&material=3&assembly=6&machine=1');
  await test.step('the rougher leaves three tenths', async () => {
    await maren.getByLabel('Stock on the wall').fill('5+.3');
    await maren.getByLabel('Left for the next step').fill('0.3');
    await maren.getByLabel('Wall height').fill('20');
    await expect(maren.getByRole('tab', { name: 'Passes' })).toBeVisible();
    await maren.getByRole('tab', { name: 'Passes' }).click();
    await maren.getByRole('button', { name: 'Save as draft record' }).click();
    await expect(maren.getByText('draft', { exact: true })).toBeVisible();
  });
  const number = /R-\d+/.exec(maren.url())![0];

  await test.step('the finisher takes the leftover and the wall over', async () => {
    await maren.goto('/calculate?op=side-finish&material=3&assembly=6&machine=1');
    await choose(maren, 'Leftover of the step before', number);
    await expect(maren.getByLabel('Stock on the wall')).toHaveValue('0.3');
    await expect(maren.getByLabel('Wall height')).toHaveValue('20');
    await expect(maren.getByText(new RegExp(`From ${number}, revision 1 \\(a? ?draft.*stock on the wall 0.30 mm`))).toBeVisible();
    await maren.getByLabel('Spring passes').fill('1');
    await maren.getByRole('button', { name: 'Save as draft record' }).click();
    await expect(maren.getByText(`Takes the leftover of`)).toBeVisible();
  });
  const finish = maren.url();

  await test.step('when the rougher changes, the finisher says so', async () => {
    await maren.goto(`/records/${number}`);
    await maren.getByRole('link', { name: 'Work on the draft' }).click();
    await maren.getByLabel('Left for the next step').fill('0.5');
    await expect(maren.getByLabel('Left for the next step')).toHaveValue('0.5');
    await maren.getByRole('button', { name: `Save draft ${number}` }).click();
    await expect(maren.getByText('draft', { exact: true })).toBeVisible();
    await maren.goto(finish);
    await expect(maren.getByText(/leaves 0.5 mm instead of 0.3 mm/)).toBeVisible();
  });
});

test('a corner with a cutter between, and one as small as the cutter', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/calculate?op=corner-cleaning&material=1&assembly=2&machine=1');
  await maren.getByLabel('Radius wanted').fill('4');
  await maren.getByLabel('Cutter before').fill('25');
  await maren.getByLabel('Height of the corner').fill('40');
  await maren.getByLabel('Time to change a cutter').fill('0.05');
  await expect(maren.getByText(/A cutter of 16.50 mm between evens the leftover and saves/)).toBeVisible();
  await maren.getByLabel('Time to change a cutter').fill('30');
  await expect(maren.getByText(/is not worth its time/)).toBeVisible();
  await maren.getByLabel('Radius wanted').fill('3');
  await expect(maren.getByText(/it turns on the spot/)).toBeVisible();
  await maren.getByLabel('Radius wanted').fill('2');
  await expect(maren.locator('.refusal, .refused, [role="alert"]').filter({ hasText: 'take one of at most 4 mm' }).first()).toBeVisible();
  await expect(maren.getByLabel('Radius wanted')).toHaveValue('2');
});

test('barrel against ball at the same ridge, side by side in the tray', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/calculate?op=surface-finish&material=4&machine=1');
  for (const [assembly, name] of [
    ['A-1220', 'ball'],
    ['A-1221', 'barrel'],
  ] as const) {
    await choose(maren, 'Assembly', assembly);
    await expect(
      maren.getByRole('combobox', { name: 'Assembly', exact: true }).locator('xpath=ancestor::*[contains(@class,"word")]'),
    ).toContainText(assembly);
    await maren.getByLabel('Ridge height, at most').fill('0.004');
    await expect.poll(() => figure(maren, 'ridge')).toBeLessThanOrEqual(0.004);
    await maren.getByRole('button', { name: 'Pin to the tray' }).click();
    await maren
      .getByLabel(/Name of alternative/)
      .last()
      .fill(name);
  }
  const cells = (row: string) => maren.locator('.tray tr', { hasText: row }).locator('td');
  await expect(cells('Passes across')).toHaveCount(2);
  const passes = (await cells('Passes across').allInnerTexts()).map((t) => parseInt(t, 10));
  expect(passes[0]!).toBeGreaterThan(3 * passes[1]!);
  // The barrel is far quicker, but leaning so little its holder goes into the surface: that is said, and it is no best.
  await expect(cells('Stops and cautions').nth(1)).toContainText('Stop:');
  await expect(cells('Time').nth(1)).not.toHaveClass(/best/);
  const [download] = await Promise.all([maren.waitForEvent('download'), maren.getByRole('button', { name: 'Save as CSV' }).click()]);
  expect(download.suggestedFilename()).toBe('comparison.csv');
  await maren.getByRole('button', { name: 'Go on with ball' }).click();
  await expect(maren.getByText(/Ø10 four-flute ball end mill/)).toBeVisible();
});

test('drag the point in the window to a limit, over any two values', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', WALL);
  const window = maren.getByRole('application', { name: /Operating window/ });
  await expect(window).toBeVisible();
  const box = (await window.boundingBox())!;
  await maren.getByLabel('Feed per tooth').fill('0.06');
  await expect(window).toBeVisible();
  const before = await figure(maren, 'removalRate');
  await maren.mouse.move(box.x + box.width * 0.3, box.y + box.height * 0.6);
  await maren.mouse.down();
  await maren.mouse.move(box.x + box.width * 0.85, box.y + box.height * 0.2, { steps: 8 });
  await maren.mouse.up();
  await expect.poll(() => figure(maren, 'removalRate')).not.toBe(before);
  await expect(maren.getByText(/is asked for and .* is allowed/).first()).toBeVisible();

  await maren.getByRole('button', { name: 'most removal' }).click();
  await expect(maren.getByText(/Most removal inside all limits/)).toBeVisible();
  await expect(maren.getByText(/is asked for and .* is allowed/)).toHaveCount(0);

  await maren.getByRole('combobox', { name: 'Window over' }).click();
  await maren.locator('.ant-select-dropdown:visible').getByText('cutting speed', { exact: true }).click();
  await expect(maren.getByRole('application', { name: /Cutting speed/ })).toBeVisible();
  const speed = await figure(maren, 'spindleSpeed');
  await maren.getByRole('application', { name: /Cutting speed/ }).focus();
  await maren.keyboard.press('ArrowLeft');
  await expect.poll(() => figure(maren, 'spindleSpeed')).toBeLessThan(speed);

  for (const tab of ['Load over a turn', 'Bend', 'Passes', 'Derivation', 'Tray']) {
    await maren.getByRole('tab', { name: tab }).click();
    await expect(maren.getByRole('tab', { name: tab })).toHaveAttribute('aria-selected', 'true');
  }
});

test('a method is saved, applied elsewhere, and says what it could not do', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', `${WALL}&n.widthOfCut=1.2&n.cornerRadius=7`);
  await maren.getByRole('link', { name: 'save as method' }).click();
  await maren.getByLabel('Name', { exact: true }).fill('Tenth of the diameter');
  await expect(maren.getByLabel('Width, at most')).toHaveValue('0.1');
  await maren
    .getByRole('button', { name: /Add|Save/ })
    .last()
    .click();
  await expect(maren.getByRole('heading', { name: 'Tenth of the diameter' })).toBeVisible();
  await expect(maren.getByLabel(/^Radius/)).toHaveCount(0);
  await maren.goto('/calculate?op=slot&material=1&assembly=6&machine=1&n.feedPerTooth=0.02');
  await expect(maren.getByLabel(/^Feed per tooth/)).toHaveValue('0.02');
  await choose(maren, 'Method', 'Tenth of the diameter');
  await expect(maren.getByText(/Tenth of the diameter, revision 1 applied, except: widthOfCut: .* has no such field/)).toBeVisible();
  await expect(maren.getByLabel(/^Feed per tooth/)).not.toHaveValue('0.02');
  await maren.getByRole('button', { name: 'take it back' }).click();
  await expect(maren.getByLabel(/^Feed per tooth/)).toHaveValue('0.02');
});

test('the life wanted moves the speed, a typed speed says the life, and a method sets the pace until the cutter changes', async ({
  browser,
}) => {
  const maren = await comeInAs(browser, 'Maren Osk', WALL);
  const [life, speed] = [maren.getByLabel('Tool life wanted'), maren.getByLabel('Cutting speed')];
  await expect(life).toHaveValue('45');
  await life.fill('1.5*60');
  await expect(speed).toHaveValue('159.77');
  await expect.poll(() => figure(maren, 'spindleSpeed')).toBe(4238);
  await life.press('Escape');
  await expect(speed).toHaveValue('190');
  await speed.fill('380');
  await expect(life).toHaveValue('2.813');
  await life.fill('45');
  await expect(maren.getByText(/Life of the edge: 2.81 min, and at least 45.00 min is needed/)).toBeVisible();
  await speed.press('Escape');
  await expect(speed).toHaveValue('190');

  await choose(maren, 'Method', 'Long shift without a change');
  await expect(life).toHaveValue('120');
  await expect(maren.getByText('Life of the edge', { exact: true })).toBeVisible();
  await expect(maren.getByText(/set by the method/).first()).toBeVisible();
  await choose(maren, 'Assembly', 'A-1043');
  await expect(life).toHaveValue('45');
});

test('what the best point set is marked, and one press puts all back to proposals', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', WALL);
  const feed = maren.getByLabel('Feed per tooth');
  await expect(maren.getByRole('button', { name: 'most removal' })).toBeEnabled();
  const proposed = await feed.inputValue();
  const height = maren.getByLabel('Wall height');
  await height.fill('20');
  await maren.getByRole('button', { name: 'most removal' }).click();
  await expect(maren.getByText(/set by the best point/).first()).toBeVisible();
  await expect(height).toHaveValue('20');
  await maren.getByRole('button', { name: 'all back to proposals' }).click();
  await expect(maren.getByText(/set by the best point/)).toHaveCount(0);
  await expect(height).toHaveValue('20');
  await height.press('Escape');
  await expect(feed).toHaveValue(proposed);
});
