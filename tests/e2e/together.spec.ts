import { expect, test } from './workshop';
import { comeInAs } from './people';

test('two people save the same cutter and the second loses nothing', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/library/cutters/3');
  const ines = await comeInAs(browser, 'Ines Varga-Holm', '/library/cutters/3');
  await maren.getByLabel('Helix angle').fill('41');
  await ines.getByLabel('Remarks').fill('Hums at 6000');
  await maren.getByRole('button', { name: 'Save as revision 2' }).click();
  await expect(maren.getByText('revision 2, maren')).toBeVisible();
  await ines.getByRole('button', { name: 'Save as revision 2' }).click();
  await expect(ines.getByText('maren saved revision 2')).toBeVisible();
  await expect(ines.getByLabel('Remarks')).toHaveValue('Hums at 6000');
  await ines.getByRole('button', { name: 'Go on from theirs, keeping what I typed' }).click();
  await expect(ines.getByLabel('Helix angle')).toHaveValue('41');
  await expect(ines.getByLabel('Remarks')).toHaveValue('Hums at 6000');
  await ines.getByRole('button', { name: /Save as revision/ }).click();
  await expect(ines.getByText('revision 3, ines')).toBeVisible();
});

test('a session that ends in the middle of an edit keeps what was typed', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/library/cutters/4');
  await maren.getByLabel('Remarks').fill('typed before the session ended');
  await maren.context().clearCookies();
  await maren.getByRole('button', { name: 'Save as revision 2' }).click();
  await expect(maren.getByText('Your session has ended.', { exact: true })).toBeVisible();
  await maren.getByRole('button', { name: /Maren Osk.*Tooling engineer/ }).click();
  await expect(maren.getByText('Your session has ended.', { exact: true })).toHaveCount(0);
  await expect(maren.getByLabel('Remarks')).toHaveValue('typed before the session ended');
  await maren.getByRole('button', { name: 'Save as revision 2' }).click();
  await expect(maren.getByText('revision 2, maren')).toBeVisible();
});

test('edits are undone one by one with the keyboard', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/library/cutters/5');
  const helix = maren.getByLabel('Helix angle');
  await helix.fill('41');
  await maren.getByLabel('Teeth').fill('5');
  await maren.getByLabel('Teeth').press('Control+z');
  await expect(maren.getByLabel('Teeth')).toHaveValue('4');
  await expect(helix).toHaveValue('41');
  await helix.press('Control+z');
  await expect(helix).toHaveValue('38');
  await expect(maren.getByRole('button', { name: 'Undo' })).toBeDisabled();
});

test('a slash searches from anywhere and Enter goes there', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/records');
  await expect(maren.getByRole('heading', { name: 'Records' })).toBeVisible();
  // A key pressed while the page is still coming up can be lost; a person presses it again.
  const search = maren.getByRole('combobox', { name: 'Find anything' });
  await expect(async () => {
    if (!(await search.evaluate((box) => box === document.activeElement))) await maren.keyboard.press('/');
    await expect(search).toBeFocused({ timeout: 1000 });
  }).toPass();
  await maren.keyboard.type('A-1042');
  await expect(maren.locator('.found').first()).toContainText('A-1042');
  await maren.keyboard.press('Enter');
  await expect(maren.getByRole('heading', { name: /A-1042/ })).toBeVisible();
});

test('what is typed before the search has come is looked for when it has', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/records');
  let come = () => {};
  const held = new Promise<void>((resolve) => (come = resolve));
  await maren.route('**/assets/Search-*.js', async (route) => {
    await held;
    await route.continue();
  });
  const search = maren.getByRole('combobox', { name: 'Find anything' });
  await search.focus();
  await maren.keyboard.type('A-10');
  come();
  await expect(maren.locator('.found').first()).toBeVisible();
  await expect(search).toBeFocused();
  await maren.keyboard.type('42');
  await expect(search).toHaveValue('A-1042');
  await expect(maren.locator('.found').first()).toContainText('A-1042');
  await maren.keyboard.press('Enter');
  await expect(maren.getByRole('heading', { name: /A-1042/ })).toBeVisible();
});
