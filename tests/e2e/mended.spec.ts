import { expect, quiet, test } from './workshop';
import { comeInAs } from './people';

test('what is in force is withdrawn while a new revision is open, and readers and editions say so', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/records/R-0002');
  await maren.getByRole('link', { name: 'Propose a new revision' }).click();
  await expect(maren.getByLabel('Why these figures: a note for the record')).not.toHaveValue('');
  const note = await maren.getByLabel('Why these figures: a note for the record').inputValue();
  await maren.getByRole('button', { name: 'Save as draft record' }).click();
  await expect(maren.getByText('draft', { exact: true })).toBeVisible();
  await expect(maren.getByText(note)).toBeVisible();

  const tobiah = await comeInAs(browser, 'Tobiah Fenwright', '/records/R-0002?rev=1');
  await tobiah.getByPlaceholder('reason, needed to withdraw it').fill('Broke two cutters.');
  await tobiah.getByRole('button', { name: 'Withdraw' }).click();
  await expect(tobiah.getByText('withdrew it')).toBeVisible();

  const jory = await comeInAs(browser, 'Jory Pellow', '/editions/1');
  await expect(jory.getByText(/not hold as (it was|they were) published/)).toBeVisible();
  await expect(jory.getByRole('row', { name: /R-0002/ })).toContainText('Withdrawn since this edition');
  await jory.goto('/lookup?record=R-0002');
  await expect(jory.getByRole('alert')).toContainText('do not use these figures');

  // The open draft is given up; nothing of the record is lost.
  await maren.reload();
  await maren.getByRole('button', { name: 'Discard…' }).click();
  await maren.getByRole('button', { name: 'Give this draft up' }).click();
  await expect(maren.getByText('withdrawn', { exact: true })).toBeVisible();
});

test('without a network it is said at once, and nothing is saved later by itself', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/calculate?op=slot&material=6&assembly=6&machine=2');
  await expect(maren.getByRole('button', { name: 'Save as draft record' })).toBeEnabled();
  const before = await (await maren.request.get('/api/v1/records')).json();
  await maren.context().setOffline(true);
  await expect(maren.getByRole('alert').filter({ hasText: 'No network' })).toBeVisible();
  await maren.getByRole('button', { name: 'Save as draft record' }).click();
  await expect(maren.getByText(/server cannot be reached; what you typed is still here/).first()).toBeVisible();
  await maren.context().setOffline(false);
  await expect(maren.getByRole('alert').filter({ hasText: 'No network' })).toHaveCount(0);
  await quiet(maren);
  const after = await (await maren.request.get('/api/v1/records')).json();
  expect(after.total).toBe(before.total);
});

test('two people change two rows of the chart and both rows stay', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/shop/charts');
  const ines = await comeInAs(browser, 'Ines Varga-Holm', '/shop/charts');
  const speed = (page: typeof maren, row: number) => page.getByLabel(new RegExp(`^Cutting speed, row ${row}$`));
  const rows = await maren
    .getByLabel(/^Cutting speed, row \d+$/)
    .evaluateAll((all) => all.slice(0, 2).map((b) => Number(b.closest('.nf')!.querySelector('label span')!.textContent.match(/\d+/)![0])));
  const was = [await speed(maren, rows[0]!).inputValue(), await speed(maren, rows[1]!).inputValue()];
  await speed(maren, rows[0]!).fill('111');
  await speed(ines, rows[1]!).fill('77');
  await maren.getByRole('button', { name: /Save as revision/ }).click();
  await expect(maren.getByText(/revision \d+, maren/)).toBeVisible();
  await ines.getByRole('button', { name: /Save as revision/ }).click();
  const race = ines.getByRole('alert').filter({ hasText: 'maren saved revision' });
  await expect(race).toContainText('cutting speed');
  await expect(race).not.toContainText('{');
  await ines.getByRole('button', { name: 'Go on from theirs, keeping what I typed' }).click();
  await expect(speed(ines, rows[0]!)).toHaveValue('111');
  await expect(speed(ines, rows[1]!)).toHaveValue('77');
  await ines.getByRole('button', { name: /Save as revision/ }).click();
  await expect(ines.getByText(/revision \d+, ines/)).toBeVisible();
  await maren.reload();
  await expect(speed(maren, rows[0]!)).toHaveValue('111');
  await expect(speed(maren, rows[1]!)).toHaveValue('77');

  // The journeys after this one rest on the chart as it was.
  await speed(maren, rows[0]!).fill(was[0]!);
  await speed(maren, rows[1]!).fill(was[1]!);
  await maren.getByRole('button', { name: /Save as revision/ }).click();
  await expect(maren.getByRole('button', { name: /Save as revision/ })).toBeDisabled();
});

test('a draft that was overtaken can still be saved', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/calculate?op=slot&material=5&assembly=6&machine=2');
  await maren.getByRole('button', { name: 'Save as draft record' }).click();
  await expect(maren.getByText('draft', { exact: true })).toBeVisible();
  const record = new URL(maren.url()).pathname;
  await maren.getByRole('link', { name: 'Work on the draft' }).click();
  const ines = await comeInAs(browser, 'Ines Varga-Holm', record);
  await ines.getByRole('link', { name: 'Work on the draft' }).click();
  await ines.getByLabel('Why these figures: a note for the record').fill('Mine first');
  await ines.getByRole('button', { name: /Save draft/ }).click();
  await expect(ines.getByText('Mine first')).toBeVisible();
  await maren.getByLabel('Why these figures: a note for the record').fill('And mine');
  await maren.getByRole('button', { name: /Save draft/ }).click();
  await maren.getByRole('button', { name: /Save mine over ines/ }).click();
  await expect(maren.getByText('And mine')).toBeVisible();
});
