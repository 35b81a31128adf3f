import { expect, test, type Page } from './workshop';
import { choose, comeInAs, figure } from './people';

async function pick(page: Page, label: string, text: string) {
  await page.getByLabel(label, { exact: true }).click();
  await page.locator('.ant-select-dropdown:visible .ant-select-item-option').filter({ hasText: text }).first().click();
}

test('a threaded hole by a chain out of what the library has, on a whole flange at once', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/calculate/groups');
  await maren.getByRole('button', { name: 'New group' }).click();
  await maren.getByLabel('Name', { exact: true }).fill('Cover, bolts');
  await pick(maren, 'Machine', 'Brindle');
  await pick(maren, 'Work material', '42CrMo4');
  await maren.getByLabel('Depth of thread').fill('18');
  await maren.getByLabel('Diameter of the circle').fill('90*2');
  await maren.getByLabel(/^Holes ?i$/).fill('12');
  const chain = maren.getByRole('table', { name: 'Chain of operations' });
  await expect(chain.getByRole('row')).toHaveCount(4);
  await expect(chain).toContainText('Leaves 77 % thread height');
  await expect(chain).toContainText('Chamfers to Ø11');
  await expect(maren.getByText('This chain works.')).toBeVisible();
  await expect(maren.getByText(/the 140.0° point of the drill centres itself/)).toBeVisible();
  await expect(maren.getByText('making 12 holes')).toBeVisible();
  const depthOf = async () => Number(await chain.getByRole('row').nth(1).getByRole('cell').nth(3).innerText());
  const before = await depthOf();

  await test.step('one change deepens every step of every hole', async () => {
    await maren.getByLabel('Depth of thread').fill('18+4');
    await expect.poll(depthOf).toBeCloseTo(before + 4, 1);
  });
  await test.step('a thread nobody has a tap for says what is missing', async () => {
    const thread = maren.getByLabel('Thread', { exact: true });
    await thread.fill('M10x1.25');
    await thread.press('Enter');
    await expect(maren.getByText('This chain does not work:')).toBeVisible();
    await expect(maren.getByText(/Tapping in step: No tap for M10×1.25/)).toBeVisible();
    await thread.fill('M10');
    await thread.press('Enter');
    await expect(maren.getByText('This chain works.')).toBeVisible();
  });
  await test.step('it is kept, and a step opens as a calculation', async () => {
    await maren.getByRole('button', { name: 'Keep this group' }).click();
    await expect(maren).toHaveURL(/groups\/\d+$/);
    await chain.getByRole('link', { name: 'Tapping in step' }).click();
    await expect(maren.getByLabel('Depth of thread')).toHaveValue('22');
    await expect(maren.getByLabel('Hole that is there')).toHaveValue('8.5');
  });
});

test('positions from a file, narrowed by diameter, ordered and never longer than given', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/calculate/groups/new');
  await pick(maren, 'Pattern', 'typed positions');
  const rows = Array.from({ length: 40 }, (_, i) => `${(i * 37) % 200};${(i * 91) % 160};${i % 4 === 0 ? 20 : 8.5}`);
  await maren
    .getByLabel('Read CSV or DXF')
    .setInputFiles({ name: 'holes.csv', mimeType: 'text/csv', buffer: Buffer.from(`x;y;d\n${rows.join('\n')}\n`) });
  await maren.getByRole('checkbox', { name: /Ø20/ }).uncheck();
  await maren.getByRole('button', { name: 'Take 30 positions' }).click();
  await expect(maren.getByText(/shorter than in the order given/)).toBeVisible();
  await expect(maren.getByRole('img', { name: /^30 holes/ })).toBeVisible();
  const positions = maren.getByLabel('Positions, x ; y in mm, one hole a line');
  await positions.fill('10 ; 20\nnonsense');
  await positions.blur();
  await expect(maren.getByText('Line 2, “nonsense”, is not two numbers')).toBeVisible();
  await expect(positions).toHaveValue('10 ; 20\nnonsense');
});

test('a drawing change that deepens a hole crosses to pecking and says so', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/records/R-0015');
  await maren.getByRole('link', { name: 'Propose a new revision' }).click();
  await expect(maren.getByLabel(/^Depth ?t$/)).toHaveValue('25.3');
  await expect(maren.getByText(/plain drilling up to/)).toBeVisible();
  await maren.getByLabel(/^Depth ?t$/).fill('33');
  const crossed = maren.getByText(
    /The depth went from 25.30 mm to 33.00 mm.*plain drilling would take .* s, and breaking the chip takes .* s/,
  );
  await expect(crossed).toBeVisible();
  await expect(maren.getByRole('table', { name: 'Stages' })).toContainText('Peck 2');
  await maren.getByRole('button', { name: 'Save as draft record' }).click();
  await expect(maren.getByText('draft', { exact: true })).toBeVisible();
  await expect(crossed.first()).toBeVisible();
  await expect(maren.getByRole('table', { name: 'Stages' })).toContainText('Peck 2');
});

test('a tap is held by what an old machine can do in step, and everything follows', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/calculate?op=tap&material=2&machine=1');
  await choose(maren, 'Assembly', 'A-1208');
  await expect.poll(() => figure(maren, 'feedInUse')).toBe(1.5);
  await maren.getByLabel(/^Cutting speed/).fill('40');
  await expect.poll(() => figure(maren, 'spindleSpeed')).toBe(1273);
  await choose(maren, 'Machine', 'Old Peg');
  await expect.poll(() => figure(maren, 'spindleSpeed')).toBe(800);
  expect(await figure(maren, 'feedRate')).toBe(1200);
  expect(await figure(maren, 'returnFeed')).toBe(1200);
  await expect(maren.getByText(/1273 rev\/min was held to 800 rev\/min by: speed in step/)).toBeVisible();
  await expect(maren.getByLabel(/^Cutting speed/)).toHaveValue('40');

  await test.step('the hole comes from a drill on the shelf', async () => {
    await maren.getByRole('tab', { name: 'Drills on the shelf' }).click();
    const drills = maren.getByRole('table', { name: 'Drills for this thread' });
    await drills.getByRole('row').nth(1).getByRole('button', { name: 'take it' }).click();
    await expect(maren.getByLabel('Hole that is there')).toHaveValue('8.5');
    await expect.poll(() => figure(maren, 'heightGot')).toBeCloseTo(77, 1);
  });
  await test.step('a hole that is too small is refused, and stays as typed', async () => {
    await maren.getByLabel('Hole that is there').fill('7.9');
    await expect(maren.getByText(/the tap would jam/)).toBeVisible();
    await expect(maren.getByLabel('Hole that is there')).toHaveValue('7.9');
  });
});

test('the bore of a hydraulic manifold with two holes across', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/calculate?op=deep-hole&material=2&machine=1');
  await choose(maren, 'Assembly', 'A-1308');
  await maren.getByLabel(/^Depth ?t$/).fill('90+90');
  await maren.getByRole('button', { name: 'Add a crossing hole' }).click();
  await maren.getByLabel('Depth of the crossing').fill('60');
  await maren.getByRole('button', { name: 'Add a crossing hole' }).click();
  await maren.getByLabel('Depth of the crossing').nth(1).fill('130');
  await maren.getByLabel('Its diameter').nth(1).fill('12');
  await maren.getByLabel('Angle to the bore').nth(1).fill('60');
  const stages = maren.getByRole('table', { name: 'Stages' });
  await expect(stages).toContainText('Across hole 1, slowed');
  await expect(stages.getByRole('row').filter({ hasText: 'Across hole 2' })).toContainText('119.76');

  await test.step('coolant off at depth and full speed outside the bore are refused', async () => {
    const full = stages.getByRole('row').filter({ hasText: 'Full feed' }).first();
    await full.getByRole('checkbox').uncheck();
    await expect(maren.getByText(/without coolant at this depth/)).toBeVisible();
    await full.getByRole('checkbox').check();
    await expect(maren.getByText(/without coolant at this depth/)).toBeHidden();
    await stages
      .getByRole('row')
      .filter({ hasText: 'Into the pilot' })
      .getByLabel(/Speed of stage/)
      .fill('-4000');
    await expect(maren.getByText(/outside the bore the drill would whirl/)).toBeVisible();
    await maren.getByRole('button', { name: 'Take all changes back' }).click();
    await expect(maren.getByText(/outside the bore the drill would whirl/)).toBeHidden();
  });
  await test.step('a hole beyond the bore is refused at its field', async () => {
    await maren.getByLabel('Depth of the crossing').nth(1).fill('230');
    await expect(maren.getByText(/lies outside the bore/)).toBeVisible();
    await maren.getByLabel('Depth of the crossing').nth(1).fill('130');
    await expect(maren.getByText(/lies outside the bore/)).toBeHidden();
  });
});

test('an address with a depth that cannot be still lets the depth be typed, and the box stays under the cursor', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/calculate?op=drill&material=2&machine=1&n.depth=5000');
  const depth = maren.getByLabel(/^Depth ?t$/);
  await expect(maren.getByRole('alert').filter({ hasText: 'Depth is 5000 mm' })).toBeVisible();
  await expect(maren.getByText('Nothing can be worked out yet')).toBeVisible();
  await depth.focus();
  await maren.keyboard.type('2');
  await expect(maren.getByRole('img', { name: /Section of the hole/ })).toBeVisible();
  await maren.keyboard.type('1');
  await maren.keyboard.press('Tab');
  await expect(depth).toHaveValue('21');
});
