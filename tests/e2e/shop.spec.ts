import { expect, test } from '@playwright/test';
import { comeInAs } from './people';

test('a changed chart makes records stale and says by how much', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/shop/charts');
  await maren.getByLabel('Cutting speed, row 3', { exact: true }).fill('100+8');
  await maren.getByRole('button', { name: /Save as revision/ }).click();
  await expect(maren.getByRole('button', { name: /Save as revision/ })).toBeDisabled();
  await maren.goto('/records?state=approved');
  await expect(maren.getByRole('row', { name: /R-0001/ })).toContainText('stale: chart Speed chart of the shop revised since');
  await maren.getByRole('link', { name: /R-0001/ }).click();
  await expect(maren.getByRole('status')).toContainText('spindle speed 2865 rev/min instead of 3183 rev/min');
});

test('a row is added to the chart, and a repeated one is refused by name', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/shop/charts');
  await expect(maren.getByLabel('Sub-group, row 1', { exact: true })).toHaveValue('P1');
  await maren.getByRole('button', { name: 'Add a row' }).click();
  const row = (await maren
    .getByLabel(/^Sub-group, row/)
    .last()
    .getAttribute('aria-label'))!.replace('Sub-group, ', '');
  const group = maren.getByLabel(`Sub-group, ${row}`, { exact: true });
  await group.fill('P1');
  await maren.getByRole('button', { name: /Save as revision/ }).click();
  await expect(maren.getByText(/repeats an earlier row/)).toBeVisible();
  await expect(group).toHaveValue('P1');
  await group.fill('H1');
  await maren.getByLabel(`Feed per tooth at 12 mm, ${row}`, { exact: true }).fill('0.03');
  await maren.getByRole('button', { name: /Save as revision/ }).click();
  await expect(maren.getByRole('button', { name: /Save as revision/ })).toBeDisabled();
  await maren.reload();
  await expect(maren.getByLabel(`Sub-group, ${row}`, { exact: true })).toHaveValue('H1');
});

test('a machine that nobody measured gets its curve', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/shop/machines');
  await maren.getByRole('link', { name: 'Morrow' }).click();
  await expect(maren.getByText('Nobody has measured power and torque')).toBeVisible();
  await maren.getByRole('button', { name: 'Add a point', exact: true }).click();
  // A point starts with nothing that could be saved without having been typed.
  for (const [box, value] of [
    ['At', '1500'],
    ['Power, continuous', '4'],
    ['short-time', '6'],
    ['Torque, continuous', '26'],
  ] as const)
    await maren.getByLabel(`${box}, point 1`, { exact: true }).first().fill(value);
  await maren.getByLabel('short-time, point 1', { exact: true }).last().fill('38');
  await maren.getByRole('button', { name: 'Save as revision 2' }).click();
  await expect(maren.getByText('revision 2, maren')).toBeVisible();
  await expect(maren.getByRole('img', { name: /Power and torque over speed/ })).toBeVisible();
});

test('a holder is changed where it is drawn and its assemblies follow', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/library/assemblies/6');
  await expect(maren.getByText(/Gauge length 108.00 mm/)).toBeVisible();
  await maren.getByRole('link', { name: 'Open holder H-401' }).click();
  await maren.getByLabel('Length', { exact: true }).first().fill('12+2');
  await maren.getByRole('button', { name: 'Save as revision 2' }).click();
  await expect(maren.getByText('revision 2, maren')).toBeVisible();
  await maren.getByRole('link', { name: 'A-1042' }).click();
  await expect(maren.getByText(/Gauge length 110.00 mm/)).toBeVisible();
});

test('a reader sees the library and can change nothing in it', async ({ browser }) => {
  const jory = await comeInAs(browser, 'Jory Pellow', '/library/cutters/10');
  await expect(jory.getByRole('heading', { name: /C-0020/ })).toBeVisible();
  await expect(jory.getByLabel('Helix angle')).toBeDisabled();
  await expect(jory.getByRole('button', { name: /Save|Undo|Put it/ })).toHaveCount(0);
  await jory.goto('/records');
  await expect(jory.getByText('Your role may not do this')).toBeVisible();
  await jory.goto('/nowhere');
  await expect(jory.getByRole('heading', { name: 'There is nothing here' })).toBeVisible();
});
