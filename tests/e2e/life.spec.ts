import { expect, test, type Page } from './workshop';
import { call, comeInAs } from './people';

const publish = async (page: Page) => {
  await page.goto('/editions');
  await page.getByRole('button', { name: 'Publish' }).click();
  await expect(page.locator('.next').getByRole('link', { name: /^Edition \d+$/ })).toBeVisible();
};
const approve = async (page: Page, record: string) => {
  await page.goto(`/records/${record}`);
  await expect(page.getByRole('button', { name: 'Approve' })).toBeVisible();
  for (const reason of await page.getByLabel(/^Why it may stand/).all()) await reason.fill('Tried on the hub spider.');
  await page.getByRole('button', { name: 'Approve' }).click();
  await expect(page.getByText('approved', { exact: true })).toBeVisible();
};

test('a record is approved, published, looked up, reported on, broken by a change, withdrawn, settled and published again', async ({
  browser,
}) => {
  const maren = await comeInAs(browser, 'Maren Osk');
  const tobiah = await comeInAs(browser, 'Tobiah Fenwright');
  const jory = await comeInAs(browser, 'Jory Pellow', '/lookup', { width: 390, height: 844 });

  // A cutter of its own, so that nothing else goes stale with it.
  const { definition: assembly } = await call(maren, 'get', '/library/assemblies/6');
  const { definition: cutter } = await call(maren, 'get', `/library/cutters/${assembly.cutterId}`);
  const { id } = await call(maren, 'post', '/library/cutters', { ...cutter, number: 'C-7100' });
  const stood = await call(maren, 'post', '/library/assemblies', { ...assembly, number: 'A-7100', cutterId: id, places: [] });
  const body = { operation: 'side-rough', materialId: 2, assemblyId: stood.id, machineId: 1, numbers: {}, options: {} };
  const { number } = await call(maren, 'post', '/records', body);
  await maren.goto(`/records/${number}`);
  await maren.getByRole('button', { name: 'Submit for review' }).click();
  await expect(maren.getByText('in review', { exact: true })).toBeVisible();
  await approve(tobiah, number);
  await publish(tobiah);

  const card = jory.getByRole('article', { name: /A-7100/ });
  await test.step('the machine reads it and reports with changes', async () => {
    await jory.goto('/lookup?q=A-7100');
    await expect(card.locator('[data-figure="feedRate"]')).toBeVisible();
    await jory.getByRole('button', { name: 'Report back' }).click();
    await jory.getByRole('radio', { name: 'ran with changes' }).click();
    await jory.getByRole('button', { name: 'Send', exact: true }).click();
    await expect(jory.getByText('Thank you, your report is with the tooling engineer.')).toBeVisible();
    await maren.goto(`/records/${number}`);
    await expect(maren.getByText('1 with changes')).toBeVisible();
  });

  await test.step('the cutter is ground back, and what was published breaks a limit at once', async () => {
    await maren.goto(`/library/cutters/${id}`);
    await maren.getByLabel('Largest depth of cut', { exact: false }).fill('4');
    await maren.getByRole('button', { name: 'What this touches' }).click();
    await expect(maren.getByRole('status', { name: 'What this change touches' })).toContainText(
      'one record of 1 goes stale, and breaks a limit',
    );
    await maren.getByRole('button', { name: /Save as revision/ }).click();
    await expect(maren.getByRole('button', { name: /Save as revision/ })).toBeDisabled();
    await jory.reload();
    await expect(card.getByRole('alert')).toContainText(/breaks a limit|4\.00 mm/);
  });

  await test.step('the engineer works it out anew, and it is withdrawn while her revision is open', async () => {
    await maren.goto(`/records/${number}`);
    await maren.getByRole('link', { name: 'Propose a new revision' }).click();
    await maren.getByRole('button', { name: /^Save/ }).first().click();
    await maren.getByRole('button', { name: 'Submit for review' }).click();
    await expect(maren.getByText('in review', { exact: true })).toBeVisible();
    await tobiah.goto(`/records/${number}`);
    await tobiah.getByRole('button', { name: 'rev 1', exact: true }).click();
    const withdraw = tobiah.getByRole('region', { name: 'Withdraw' });
    await withdraw.getByLabel('Reason').fill('The ground back cutter cannot do it.');
    await withdraw.getByRole('button', { name: 'Withdraw' }).click();
    await expect(withdraw).toHaveCount(0);
    await jory.reload();
    await expect(card.getByRole('alert')).toContainText('Withdrawn since this edition: do not use these figures');
    await expect(card.locator('[data-figure="feedRate"]')).toHaveCount(0);
  });

  await test.step('the new revision is approved and published, and the machine reads that one', async () => {
    await approve(tobiah, number);
    await publish(tobiah);
    await jory.reload();
    await expect(card.getByText(`${number} revision 2`)).toBeVisible();
    await expect(card.locator('[data-figure="depth"]')).toContainText('4.00');
  });
});
