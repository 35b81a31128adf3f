import { expect, test } from './workshop';
import { call, comeInAs } from './people';

test('a limit that was lowered after a proposal was handed in keeps it from being approved, and it is worked out anew', async ({
  browser,
}) => {
  const maren = await comeInAs(browser, 'Maren Osk');
  const { definition: assembly } = await call(maren, 'get', '/library/assemblies/6');
  const { definition: cutter } = await call(maren, 'get', `/library/cutters/${assembly.cutterId}`);
  const { id } = await call(maren, 'post', '/library/cutters', { ...cutter, number: 'C-7200' });
  const stood = await call(maren, 'post', '/library/assemblies', { ...assembly, number: 'A-7200', cutterId: id, places: [] });
  const { number } = await call(maren, 'post', '/records', { operation: 'side-rough', materialId: 2, assemblyId: stood.id, machineId: 1 });
  await maren.goto(`/records/${number}`);
  await maren.getByRole('button', { name: 'Submit for review' }).click();
  await expect(maren.getByText('in review', { exact: true })).toBeVisible();
  const ground = { ...cutter, number: 'C-7200', dimensions: { ...cutter.dimensions, APMX: 4 } };
  await call(maren, 'put', `/library/cutters/${id}`, ground, 1);

  const tobiah = await comeInAs(browser, 'Tobiah Fenwright', `/records/${number}`);
  await expect(tobiah.getByText(/It cannot be approved as it stands now: Depth of the cutter/)).toBeVisible();
  await expect(tobiah.getByRole('button', { name: 'Approve' })).toHaveCount(0);
  await tobiah.goto(`/records?state=inReview&text=${number}`);
  await expect(tobiah.locator('.settlerow')).toHaveCount(1);
  await tobiah.getByRole('grid', { name: 'Records in review' }).focus();
  await tobiah.keyboard.press('a');
  await expect(tobiah.getByRole('alert')).toContainText('It cannot be approved as it stands now');
  await tobiah.keyboard.press('Escape');
  await tobiah.keyboard.press('n');
  await tobiah.keyboard.press('Enter');
  await expect(tobiah.getByText(`Done: ${number} worked out anew.`)).toBeVisible();

  // He had a hand in it now: somebody else decides.
  await tobiah.goto(`/records/${number}`);
  await expect(tobiah.getByText('In review. Nobody decides on their own proposal')).toBeVisible();
  const ines = await comeInAs(browser, 'Ines Varga-Holm', `/records/${number}`);
  await expect(ines.getByRole('region', { name: 'Decision' })).toContainText('Approve it, or send it back');
  await ines.getByRole('button', { name: 'Approve' }).click();
  await expect(ines.getByText('approved', { exact: true })).toBeVisible();
});

test('two people at one computer each have a key of their own, and what was there before opens nothing', async ({ browser }) => {
  const jory = await comeInAs(browser, 'Jory Pellow', '/lookup');
  const before = await jory.context().cookies();
  const second = await jory.context().newPage();
  await second.request.post('/api/v1/session/demo/tobiah');
  await second.goto('/records');
  await expect(second.getByRole('banner').getByRole('button', { name: 'Tobiah Fenwright' })).toBeVisible();
  const elsewhere = await browser.newContext();
  await elsewhere.addCookies(before);
  expect((await elsewhere.request.get(`${new URL(second.url()).origin}/api/v1/records`)).status()).toBe(401);
  await elsewhere.close();
});

test('a link of the page asks before what was typed on a sheet is lost', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/library/cutters/3');
  const remarks = maren.getByLabel('Remarks');
  await remarks.fill('typed, and not saved');
  await maren.getByRole('banner').getByRole('link', { name: 'Editions' }).click();
  const asks = maren.getByRole('alertdialog', { name: 'Not saved yet' });
  await expect(asks.getByRole('button', { name: 'Stay here' })).toBeFocused();
  await maren.keyboard.press('Enter');
  await expect(asks).toHaveCount(0);
  await expect(remarks).toHaveValue('typed, and not saved');
  await maren.getByRole('banner').getByRole('link', { name: 'Editions' }).click();
  await asks.getByRole('button', { name: 'Leave without it' }).click();
  await expect(maren.getByRole('heading', { name: 'Editions' })).toBeVisible();
});
