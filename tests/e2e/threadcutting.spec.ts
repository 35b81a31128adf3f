import { expect, test, type Page } from './workshop';
import { comeInAs, figure } from './people';
import { calculate, field } from './situation';

const box = (page: Page) => page.getByLabel('Thread to cut');

test('an outside inch thread on the turning centre: typed, sized within its class, and kept', async ({ browser }) => {
  const maren = await calculate(browser, 'thread-turning', 'A-3005', '42CrMo4', 'Morrow');
  await expect(maren.getByText('Proposed: the first one this cutter can make.')).toBeVisible();
  await box(maren).fill('1/2-13');
  await box(maren).press('Enter');
  await expect(maren).toHaveURL(/thread=1%2F2-13/);
  await expect.poll(() => figure(maren, 'feedInUse')).toBeCloseTo(1.954, 3);
  await maren.getByRole('button', { name: 'in', exact: true }).click();
  await field(maren, 'Height, on a side').fill('.08');
  await expect(maren.getByRole('region', { name: 'Choices' }).getByRole('alert')).toContainText('is outside 2A of 1/2-13 UNC');
  await field(maren, 'Height, on a side').press('Escape');
  await expect(
    maren.getByText('The spindle turns counter-clockwise, seen from the free end; the tool is fed towards the chuck.'),
  ).toBeVisible();
  await expect(maren.getByRole('table', { name: 'Infeeds' }).getByRole('row')).toHaveCount(8);
  await maren.getByRole('button', { name: 'Save as draft record' }).click();
  await expect(maren.getByRole('heading', { level: 1 })).toContainText(/R-\d+/);
  await expect(maren.getByText(/Thread turning 1\/2-13 UNC/).first()).toBeVisible();
  await maren.getByRole('link', { name: 'Work on the draft' }).click();
  await expect(box(maren)).toHaveValue('1/2-13');
});

test('a taper pipe port is milled and turned, and both are compared as one job', async ({ browser }) => {
  const milled = await calculate(browser, 'thread-milling', 'A-1332', '1.4410', 'Brindle', { thread: '3/8-18 NPT' });
  await expect(milled.getByText(/arcs in a turn follow the taper within/)).toBeVisible();
  await field(milled, 'Length of thread').fill('11');
  await milled
    .getByRole('tab', { name: 'Ways' })
    .or(milled.getByRole('button', { name: 'Ways', exact: true }))
    .first()
    .click();
  const ways = milled.getByRole('table', { name: 'Ways to make this thread' });
  await expect(ways.getByRole('link', { name: 'thread turning' })).toBeVisible();
  await ways.getByRole('button', { name: 'Pin Thread milling with A-1332' }).first().click();
  await milled.getByRole('button', { name: 'Pin to the tray' }).click();
  await expect(milled.locator('.tray th input')).toHaveCount(2);
  const turned = await calculate(browser, 'thread-turning', 'A-3011', '1.4410', 'Morrow', { thread: '3/8-18 NPT' });
  await expect(turned.getByText(/A taper of 1 in 16: over the length the tool moves/)).toBeVisible();
  await expect(turned.getByRole('img', { name: 'The tool at the work, thread 3/8-18 NPT' })).toBeVisible();
});

test('a left-hand inside thread of two starts says which way all goes, and what is too short stops it', async ({ browser }) => {
  const maren = await calculate(browser, 'thread-turning', 'A-3009', 'CuAl10Ni5Fe4', 'Morrow', { thread: 'Tr40×14 (P7) LH' });
  await expect.poll(() => figure(maren, 'feedInUse')).toBe(14);
  await expect(maren.getByText(/the tool is fed away from the chuck/)).toBeVisible();
  await expect(maren.getByText(/2 starts: every start begins 7.00 mm later/)).toBeVisible();
  await expect(maren.getByText(/fed against its hand: its shim leans to -7.0°/)).toBeVisible();
  await field(maren, 'Way to run out').fill('1');
  await expect(maren.getByText(/Way to run out: 1.00 mm, and at least/)).toBeVisible();
  await maren.getByRole('button', { name: 'Save as draft record' }).click();
  await expect(
    maren
      .getByRole('alert')
      .or(maren.getByRole('heading', { name: /R-\d+/ }))
      .first(),
  ).toBeVisible();
});

test('a thread that the cutter cannot make is refused where it is typed, and what was typed stays', async ({ browser }) => {
  const maren = await calculate(browser, 'thread-milling', 'A-1331', '42CrMo4', 'Brindle', { thread: 'M24×3-6H' });
  const choices = maren.getByRole('region', { name: 'Choices' });
  await box(maren).fill('M8');
  await box(maren).press('Tab');
  await expect(choices.getByRole('alert')).toContainText('does not go into a hole');
  await expect(box(maren)).toHaveValue('M8');
  await box(maren).fill('M24x2');
  await maren.locator('.ant-select-dropdown:visible .ant-select-item-option').first().click();
  await expect(choices.getByRole('alert')).toBeHidden();
  await expect(box(maren)).toHaveValue('M24×2');
  await maren.getByRole('link', { name: 'its page' }).click();
  await expect(maren.getByRole('heading', { level: 1 })).toHaveText('M24×2');
});

test('an own thread from draft to edition: approved before the record that rests on it', async ({ browser }) => {
  const maren = await calculate(browser, 'thread-turning', 'A-3005', '42CrMo4', 'Morrow');
  const made = await maren.request.post('/api/v1/shop/threads', {
    data: { name: 'Stud M24 worn', parent: 'M24×2', diameter: 24.4, pitch: 2, reason: 'Worn blade roots' },
  });
  expect(made.status()).toBe(201);
  const { id } = (await made.json()) as { id: number };
  await box(maren).fill('Stud M24');
  await maren.locator('.ant-select-dropdown:visible .ant-select-item-option', { hasText: 'Stud M24 worn' }).click();
  await expect(maren).toHaveURL(new RegExp(`thread=Stud\\+M24\\+worn(~|%7E)${id}`));
  await field(maren, 'Stands out of the chuck').fill('45');
  await maren.getByRole('button', { name: 'Save as draft record' }).click();
  await expect(maren.getByText(/Thread turning Stud M24 worn/).first()).toBeVisible();
  await maren.getByRole('button', { name: 'Submit for review' }).click();
  await expect(maren.getByText('in review', { exact: true })).toBeVisible();
  const record = new URL(maren.url()).pathname;

  const tobiah = await comeInAs(browser, 'Tobiah Fenwright', record);
  await expect(tobiah.getByText(/is the shop's own thread, and its revision 1 has not been approved/)).toBeVisible();
  await expect(tobiah.getByRole('button', { name: 'Approve', exact: true })).toHaveCount(0);
  await tobiah.goto(`/shop/threads/${id}`);
  await tobiah.getByRole('button', { name: 'Approve revision 1' }).click();
  await expect(tobiah.getByText(/Approved by tobiah/)).toBeVisible();
  await tobiah.goto(record);
  await tobiah.getByLabel(/Why it may stand: An insert for several pitches/).fill('Its nose was measured on the projector.');
  await tobiah.getByRole('button', { name: 'Approve', exact: true }).click();
  await expect(tobiah.getByText('approved', { exact: true })).toBeVisible();
  await tobiah.goto('/editions');
  await tobiah
    .getByRole('button', { name: /Publish/ })
    .first()
    .click();
  await expect(tobiah.getByText(/Stud M24 worn/).first()).toBeVisible();
});
