import { expect, test, type Page } from './workshop';
import { comeInAs, figure } from './people';
import { calculate, field } from './situation';

const pick = async (page: Page, name: string, words: string) => {
  await page.getByRole('combobox', { name }).click();
  await page.locator('.ant-select-dropdown:visible .ant-select-item-option', { hasText: words }).first().click();
};

test('a stud from the bar: slender work asks for the centre, and is kept', async ({ browser }) => {
  const maren = await calculate(browser, 'turn-rough', 'A-3001', '42CrMo4', 'Morrow');
  await expect(maren.getByRole('img', { name: 'Rough turning: the tool at the work, to scale' })).toBeVisible();
  await field(maren, 'Ø before').fill('32');
  await field(maren, 'Ø finished').fill('24');
  await field(maren, 'Length turned').fill('180');
  await field(maren, 'Stands out').fill('200');
  await field(maren, 'Depth of cut').fill('3.5');
  await field(maren, 'Feed per revolution').fill('.35');
  await field(maren, 'Bend allowed').fill('15');
  await expect(maren.getByText(/Bend away from the cut: .* is asked for and 15\.0 µm is allowed/)).toBeVisible();
  await pick(maren, 'Work held', 'by a centre');
  await expect(maren.getByText(/Bend away from the cut: .* is asked for/)).toBeHidden();
  await expect.poll(() => figure(maren, 'workBend')).toBeLessThan(15);
  await expect.poll(() => figure(maren, 'passesDown')).toBe(1);
  await maren.getByRole('button', { name: 'Give it several diameters' }).click();
  await field(maren, 'Length of step 1').fill('120');
  await maren.getByRole('button', { name: 'Add a step' }).click();
  await field(maren, 'Length of step 2').fill('60');
  await field(maren, 'Ø of step 2').fill('20');
  await expect(maren.getByRole('region', { name: 'Choices' }).getByRole('alert')).toContainText('falls back square');
  await field(maren, 'Ø of step 2').fill('28');
  await expect(maren).toHaveURL(/outline=24%7E120%2128%7E60/);
  await maren.getByRole('button', { name: 'Shape of step 1' }).click();
  await field(maren, 'Chamfer of step 1').fill('1');
  await field(maren, 'Radius at the foot of step 1').fill('3');
  await expect(maren.getByRole('region', { name: 'Choices' }).getByRole('alert')).toContainText('the next stands out by 2 mm');
  await field(maren, 'Radius at the foot of step 1').fill('1.5');
  await expect(maren).toHaveURL(/outline=24%7E120%7E1%7E%7E1.5%2128%7E60/);
  await field(maren, 'Chamfer of step 1').fill('');
  await expect.poll(() => figure(maren, 'passesDown')).toBe(2);
  await maren.getByRole('tab', { name: 'Passes' }).click();
  await expect(maren.getByRole('table', { name: 'Way of the tool' })).toContainText('Back in rapid');
  await maren.getByRole('button', { name: 'Save as draft record' }).click();
  await expect(
    maren
      .getByRole('heading', { name: /R-\d+/ })
      .or(maren.getByText(/Rough turning/))
      .first(),
  ).toBeVisible();
});

test('choices open within sight where little motion is wanted, and the page does not move', async ({ browser }) => {
  const maren = await calculate(browser, 'turn-rough', 'A-3001', '42CrMo4', 'Morrow');
  await maren.setViewportSize({ width: 1280, height: 800 });
  await maren.emulateMedia({ reducedMotion: 'reduce' });
  await maren.reload();
  await expect.poll(() => figure(maren, 'depth')).toBeGreaterThan(0);
  for (const name of ['Work held', 'Go on with this work']) {
    await maren.getByRole('combobox', { name }).click();
    await expect(maren.locator('.ant-select-dropdown:visible')).toBeInViewport({ ratio: 1 });
    await maren.keyboard.press('Escape');
    await expect(maren.locator('.ant-select-dropdown:visible')).toHaveCount(0);
  }
  expect(await maren.evaluate(() => document.documentElement.scrollHeight)).toBe(800);
});

test('parting off beside a shoulder: the shank would touch, the cure says how far to rough, and then it goes', async ({ browser }) => {
  const maren = await calculate(browser, 'part-off', 'A-3004', '42CrMo4', 'Morrow');
  await field(maren, 'Ø before').fill('44');
  await field(maren, 'Ø of a shoulder').fill('80');
  await field(maren, 'Gap from blade').fill('1');
  await expect(
    maren.getByText('Rough the shoulder back 1.5 mm further, or below Ø70 mm, or let the blade cut it back first.'),
  ).toBeVisible();
  const alone = await figure(maren, 'time');
  await pick(maren, 'Shoulder beside', 'cut back first');
  await expect(maren.getByText('The blade first cuts the shoulder back by 1.50 mm down to Ø70.00 mm')).toBeVisible();
  await expect.poll(() => figure(maren, 'time')).toBeGreaterThan(alone);
  await pick(maren, 'Shoulder beside', 'as it stands');
  await field(maren, 'Gap from blade').fill('1+1.5');
  await expect(maren.getByText(/Rough the shoulder back/)).toBeHidden();
  await expect(maren.getByText(/a pip stays/)).toBeVisible();
  await field(maren, 'Ø of a shoulder').fill('30');
  await expect(maren.getByRole('region', { name: 'Choices' }).getByRole('alert')).toContainText('does not stand above Ø44 mm');
});

test('a bar that is too short and too thin for a bore says so, and a thicker one goes in', async ({ browser }) => {
  const thin = await calculate(browser, 'turn-rough', 'A-3017', '1.4410', 'Morrow');
  await field(thin, 'Ø before').fill('48');
  await field(thin, 'Ø finished').fill('52');
  await field(thin, 'Length turned').fill('90');
  await expect(thin.getByText(/Reach outside the holder: 90.00 mm is asked for and 36.00 mm is allowed/)).toBeVisible();
  const thick = await calculate(browser, 'turn-rough', 'A-3020', '1.4410', 'Morrow', {
    'n.startDiameter': '48',
    'n.endDiameter': '52',
    'n.length': '90',
  });
  await expect(thick.getByText(/Reach outside the holder: .* is asked for/)).toBeHidden();
  await expect(thick.locator('[data-limit="sizeError"]').or(thick.locator('[data-figure="wallError"]')).first()).toBeVisible();
  await field(thick, 'Ø before').fill('38');
  await expect(thick.getByText(/Bore for the bar: 38.00 mm, and at least 40.00 mm is needed/)).toBeVisible();
});

test('facing to the middle says where the clamp holds, and a lower clamp takes longer', async ({ browser }) => {
  const maren = await calculate(browser, 'turn-face', 'A-3001', 'S355', 'Morrow', { 'n.startDiameter': '120', 'n.stockHeight': '2' });
  await expect(maren.getByText(/Below Ø25\.86 mm the clamp holds the spindle at 3200 rev\/min/)).toBeVisible();
  const before = await figure(maren, 'clampDiameter');
  await field(maren, 'Speed clamp').fill('1200');
  await expect.poll(() => figure(maren, 'clampDiameter')).toBeGreaterThan(before * 2);
  await field(maren, 'Speed clamp').fill('3600');
  await expect(maren.getByText(/Speed clamp: 3600 rev\/min is asked for and 3200 rev\/min is allowed/)).toBeVisible();
});

test('the chuck of a machine is entered in Shop, and a chart row of a turning tool by its edge', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/shop');
  const machines = (await (await maren.request.get('/api/v1/shop/machines')).json()) as { id: number; definition: { name: string } }[];
  await maren.goto(`/shop/machines/${machines.find((m) => m.definition.name === 'Morrow')!.id}`);
  await field(maren, 'Clamping force at rest, main spindle').fill('20000');
  await expect(maren.getByRole('button', { name: /^Save as revision/ })).toBeEnabled();
  await field(maren, 'Clamping force at rest, main spindle').fill('50');
  await maren.getByRole('button', { name: /^Save as revision/ }).click();
  await expect(maren.getByText(/The clamping force of the chuck of the main spindle is 50/).first()).toBeVisible();
  await maren.goto('/shop/charts?family=outsideTurningTool');
  await expect(maren.getByText(/goes by the corner radius or a blade's width/)).toBeVisible();
  await expect(
    maren
      .getByRole('textbox', { name: 'Depth of cut, row 1', exact: true })
      .or(maren.getByLabel(/^Depth of cut, row/).first())
      .first(),
  ).toBeVisible();
});

test('a step hands the work on as it leaves it, with its outline, and a step back takes it again', async ({ browser }) => {
  const maren = await calculate(browser, 'turn-rough', 'A-3001', '42CrMo4', 'Morrow', {
    'n.startDiameter': '50',
    'n.standsOut': '80',
    'n.stockLeft': '0.4',
    outline: '30~20~1!40~30',
  });
  const next = async (words: string) => {
    await maren.getByRole('combobox', { name: 'Go on with this work' }).click();
    await maren.locator('.ant-select-dropdown:visible .ant-select-item-option', { hasText: words }).first().click();
  };
  await next('finish turning');
  await expect(field(maren, 'Ø before')).toHaveValue('30.8');
  await expect(field(maren, 'Stands out')).toHaveValue('80');
  await expect(maren).toHaveURL(/op=turn-finish.*outline=30%7E20%7E1%2140%7E30/);
  await expect(field(maren, 'Stock on faces')).toHaveValue('0.2');
  await expect.poll(() => figure(maren, 'depth')).toBe(0.4);
  await next('parting off');
  await expect(maren.getByText(/these can/)).toBeVisible();
  await maren
    .getByRole('link', { name: /^A-3004/ })
    .or(maren.getByRole('button', { name: /^A-3004/ }))
    .click();
  await expect(field(maren, 'Ø of a shoulder')).toHaveValue('50');
  await expect(field(maren, 'Ø before')).toHaveValue('40');
  await maren.goBack();
  await maren.goBack();
  await expect(maren).toHaveURL(/op=turn-finish/);

  // The order is kept beyond the history of the window, and each step can be gone back to.
  await maren.goForward();
  await maren.goForward();
  await expect(maren).toHaveURL(/op=part-off/);
  await maren.reload();
  const done = maren.locator('.ant-select-dropdown:visible .ant-select-item-option-grouped');
  await maren.getByRole('combobox', { name: 'Go on with this work' }).click();
  await expect(done.filter({ hasText: /^\d / })).toHaveText(['1 rough turning', '2 finish turning']);
  await done.filter({ hasText: '1 rough turning' }).click();
  await expect(maren).toHaveURL(/op=turn-rough.*outline=30%7E20%7E1%2140%7E30/);
  await expect(field(maren, 'Ø before')).toHaveValue('50');
  await next('finish turning');
  await expect(maren).toHaveURL(/op=turn-finish/);
  await maren.getByRole('combobox', { name: 'Go on with this work' }).click();
  await expect(done.filter({ hasText: /^\d / })).toHaveText(['1 rough turning']);
});

test('an outline is taken from a drawing and turned round', async ({ browser }) => {
  const maren = await calculate(browser, 'turn-finish', 'A-3002', '42CrMo4', 'Morrow', { 'n.startDiameter': '60', 'n.standsOut': '80' });
  const line = (x1: number, y1: number, x2: number, y2: number) => `0\nLINE\n8\n0\n10\n${x1}\n20\n${y1}\n11\n${x2}\n21\n${y2}\n`;
  const text = `0\nSECTION\n2\nENTITIES\n${line(0, 24, 20, 24)}${line(20, 24, 30, 15)}${line(30, 15, 50, 15)}0\nENDSEC\n0\nEOF\n`;
  await maren
    .getByLabel('DXF drawing of half the work')
    .setInputFiles({ name: 'hub.dxf', mimeType: 'application/dxf', buffer: Buffer.from(text) });
  await expect(field(maren, 'Ø of step 1')).toHaveValue('30');
  await expect(field(maren, 'Ø at its end of step 2')).toHaveValue('48');
  await expect(maren.getByText('The drawing does not say its unit')).toBeVisible();
  await maren.getByRole('button', { name: 'turn it round' }).click();
  await expect(field(maren, 'Ø of step 1')).toHaveValue('48');
  await maren
    .getByLabel('DXF drawing of half the work')
    .setInputFiles({ name: 'no.dxf', mimeType: 'application/dxf', buffer: Buffer.from('nothing') });
  await expect(maren.getByText('The file does not begin like a DXF drawing')).toBeVisible();
  await expect(field(maren, 'Ø of step 1')).toHaveValue('48');
});

test('on the turning centre a driven head drills a circle of holes, and a fixed block only where the work turns', async ({ browser }) => {
  const fixed = await calculate(browser, 'drill', 'A-3029', '42CrMo4', 'Morrow');
  await expect(fixed.getByText('Holder H-302 does not turn its tool.')).toBeVisible();
  await pick(fixed, 'Turns', 'the work, main spindle');
  await expect(fixed.getByText('Holder H-302 does not turn its tool.')).toBeHidden();
  await field(fixed, 'Ø gripped').fill('60');
  await expect.poll(() => figure(fixed, 'gripNeeded')).toBeGreaterThan(0);
  const driven = await calculate(browser, 'drill', 'A-3028', '42CrMo4', 'Morrow');
  await expect(driven.getByText(/does not turn its tool/)).toBeHidden();
  await expect(driven.locator('[data-figure="gripNeeded"]')).toBeHidden();
  await driven.goto('/calculate/groups/new');
  await pick(driven, 'Machine', 'Morrow');
  await pick(driven, 'Work material', '42CrMo4');
  await pick(driven, 'Becomes a', 'drilled hole');
  await driven.getByRole('textbox', { name: /^Diameter ?D$/ }).fill('12');
  await expect(driven.getByText(/Morrow turns no tool in its holder H-302/).first()).toBeVisible();
  await driven.getByRole('textbox', { name: /^Diameter ?D$/ }).fill('6.8');
  await field(driven, 'Diameter of the circle').fill('80');
  await expect(driven.getByText(/A-3028/).first()).toBeVisible();
});
