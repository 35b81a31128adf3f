import { expect, test } from './workshop';
import { comeInAs } from './people';

test('gaps of an operation are chosen from the keyboard and filled with drafts, and the counts lead to the lists', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/records/coverage?view=operation&operation=face');
  const grid = maren.getByRole('grid', { name: 'Coverage' });
  await expect(grid).toBeVisible();
  const before = Number((await maren.locator('.coverkey .draft').innerText()).replace(/\D/g, ''));
  await test.step('the arrows move, Space chooses a gap', async () => {
    await grid.focus();
    await maren.keyboard.press('End');
    await maren.keyboard.press('Home');
    await maren.keyboard.press('ArrowRight');
    await expect(maren.getByRole('status').filter({ hasText: 'Space chooses this gap' })).toBeVisible();
    await maren.keyboard.press('Space');
    await maren.keyboard.press('ArrowRight');
    await maren.keyboard.press('Space');
    await expect(maren.getByRole('region', { name: 'Fill gaps' })).toContainText('2 gaps chosen');
  });
  await test.step('both are computed, each a draft or a reason why not', async () => {
    await maren.getByRole('combobox', { name: 'Machine for the drafts' }).click();
    await maren.locator('.ant-select-dropdown:visible').getByText('Brindle').click();
    await maren.getByRole('button', { name: 'Compute 2 drafts' }).click();
    await expect(maren.getByRole('region', { name: 'Fill gaps' })).toContainText('2 of 2: 2 drafts.');
    await expect(maren.locator('.coverkey .draft')).toContainText(String(before + 2));
  });
  await test.step('a number leads to the records behind it', async () => {
    await maren.locator('.coverkey').getByRole('link', { name: 'draft' }).click();
    await expect(maren).toHaveURL(/counts=draft/);
    await expect(maren.locator('tbody tr.clickable')).toHaveCount(before + 2);
  });
});

test('the search answers what there is for a material and a feature', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/records');
  await maren.keyboard.press('/');
  await maren.getByRole('combobox', { name: 'Find anything' }).fill('42CrMo4 rough side');
  await maren.locator('.ant-select-dropdown:visible').getByText('Rough side milling, 42CrMo4').click();
  await expect(maren).toHaveURL(/counts=any&operation=side-rough&material=1/);
  await expect(maren.locator('tbody tr.clickable').first()).toContainText('42CrMo4');
});

test('a deputy approves in the days of an absence, and the history says in whose place', async ({ browser }) => {
  const ines = await comeInAs(browser, 'Ines Varga-Holm', '/absences');
  const today = new Date().toLocaleDateString('sv');
  await ines.getByRole('combobox', { name: 'Deputy' }).click();
  await ines.locator('.ant-select-dropdown:visible .ant-select-item-option-content').getByText('maren').click();
  await ines.getByLabel('First day').fill(today);
  await ines.getByLabel('Last day').fill(today);
  await ines.getByRole('button', { name: 'Name the deputy' }).click();
  await expect(ines.getByText('maren decides in place of ines')).toBeVisible();
  await expect(ines.getByText('maren has not agreed yet')).toBeVisible();

  const tobiah = await comeInAs(browser, 'Tobiah Fenwright', '/calculate?op=slot&material=2&assembly=6&machine=1');
  await tobiah.getByRole('button', { name: 'Save as draft record' }).click();
  await expect(tobiah.getByText('draft', { exact: true })).toBeVisible();
  const number = /R-\d+/.exec(tobiah.url())![0];
  await tobiah.getByRole('button', { name: 'Submit for review' }).click();
  await expect(tobiah.getByText('In review. Nobody decides on their own proposal')).toBeVisible();

  const maren = await comeInAs(browser, 'Maren Osk', '/absences');
  await maren.getByRole('button', { name: 'Agree' }).click();
  await expect(maren.getByText('maren decides in place of ines')).toContainText('now');
  await maren.goto(`/records?state=inReview&text=${number}`);
  await expect(maren.locator('.settlerow')).toHaveCount(1);
  await maren.getByRole('grid', { name: 'Records in review' }).focus();
  await maren.keyboard.press('a');
  await expect(maren.getByText(`Approve ${number} with these figures?`)).toBeVisible();
  await maren.keyboard.press('Enter');
  await expect(maren.getByRole('status').filter({ hasText: `Done: ${number} approved.` })).toBeVisible();
  await maren.goto(`/history?text=${number}`);
  await expect(maren.getByRole('list', { name: 'Changes' }).getByRole('listitem').first()).toContainText(
    'maren in place of ines approved record',
  );
  await maren.getByRole('button', { name: 'Compare with what is there' }).click();
  await expect(maren.getByText(/entries are in order, and everything is as they wrote it/)).toBeVisible();
  await ines.getByRole('button', { name: 'End it' }).click();
  await expect(ines.getByText('Nobody is away.')).toBeVisible();
});

test('two who have the same sheet open see each other', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/library/cutters/12');
  const ines = await comeInAs(browser, 'Ines Varga-Holm', '/library/cutters/12');
  await expect(ines.getByText('maren has this open too.')).toBeVisible();
  await maren.getByLabel('Remarks').fill('seen by both');
  await expect(ines.getByText(/maren is changing this too/)).toBeVisible();
});
