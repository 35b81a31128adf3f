import { expect, test } from './workshop';
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

test('rows come from a spreadsheet, refused ones by their cell, and nothing is kept before it is saved', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/shop/charts');
  await maren.getByRole('button', { name: 'Bring rows in' }).click();
  const table = [
    'Family;Cutting material;Work material;Operation;Speed [m/min];Width / D;Depth / D;Feed at Ø12;Colour',
    'square end mill;carbide;H2;Rough side milling;55,5;0,05;0,5;0,021;red',
    'square end mill;carbide;H2;Rough side milling;fast;0,05;0,5;0,021;red',
  ].join('\n');
  await maren.getByLabel('Rows from a spreadsheet').fill(table);
  await maren.getByRole('button', { name: 'Look at what is pasted' }).click();
  const read = maren.getByRole('group', { name: 'Rows that were read' });
  await expect(read).toContainText('Left out, since nobody knows these columns: Colour.');
  await expect(read).toContainText('Speed [m/min]: “fast” is no number');
  await maren.getByRole('button', { name: 'Take 1 row into the chart' }).click();
  const group = maren.getByLabel(/^Sub-group, row/).last();
  await expect(group).toHaveValue('H2');
  await maren.getByRole('button', { name: 'Undo' }).click();
  await expect(group).not.toHaveValue('H2');
  await expect(maren.getByRole('button', { name: /Save as revision/ })).toBeDisabled();

  // Without headings it is said what is missing.
  await maren.getByRole('button', { name: 'Bring rows in' }).click();
  await maren.getByLabel('Rows from a spreadsheet').fill('square end mill\tcarbide\nball end mill\tcarbide');
  await maren.getByRole('button', { name: 'Look at what is pasted' }).click();
  await expect(maren.getByText(/these are missing: family, cutting material/)).toBeVisible();
});

test('rows are copied to another material, slower, and a record that ran makes one', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/records/R-0001');
  await maren.getByRole('link', { name: 'Make a row of the speed chart of it' }).click();
  await expect(maren.getByText(/R-0001 makes a row for square end mill, carbide, P3, Rough side milling/)).toBeVisible();
  await maren.getByRole('button', { name: 'Take the row into the chart' }).click();
  await expect(maren.getByText(/it stands below/)).toBeVisible();
  await expect(maren.getByLabel(/Where it comes from, row/).and(maren.locator('[value^="R-0001 revision 1"]'))).toBeVisible();

  await maren.getByRole('button', { name: 'Copy rows to another material' }).click();
  await maren.getByLabel('For work material').fill('P7');
  await maren.getByLabel('speed ×', { exact: true }).fill('4/5');
  const rows = await maren.getByLabel(/^Sub-group, row/).count();
  await maren.getByRole('button', { name: /^Copy \d rows$/ }).click();
  expect(await maren.getByLabel(/^Sub-group, row/).count()).toBeGreaterThan(rows);
  await expect(maren.getByLabel(/^Sub-group, row/).last()).toHaveValue('P7');
  await expect(maren.getByRole('checkbox', { name: /^Tried here, row/ }).last()).not.toBeChecked();
});
