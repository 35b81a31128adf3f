import { expect, test } from './workshop';
import { choose, comeInAs, figure } from './people';

test('from a cutter on the shelf to a published figure', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/library/cutters');

  await test.step('the engineer adds a cutter on its drawing and puts it in a holder', async () => {
    await maren.getByRole('button', { name: 'Add a cutter' }).click();
    await maren.getByRole('textbox', { name: 'Number', exact: true }).fill('C-7001');
    await maren.getByLabel('Cutting diameter', { exact: false }).first().fill('10');
    await maren.getByLabel('Shank diameter', { exact: false }).fill('10');
    await maren.getByLabel('Flute length', { exact: false }).fill('90');
    await expect(maren.locator('.refusal', { hasText: 'The flute length LCF is 90 mm' })).toBeVisible();
    await maren.getByLabel('Flute length', { exact: false }).fill('20+2');
    await maren.getByLabel('Usable length', { exact: false }).fill('22');
    await maren.getByLabel('Largest depth of cut', { exact: false }).fill('21.5');
    await maren.getByLabel('Overall length', { exact: false }).fill('72');
    await maren.getByRole('button', { name: 'Add to the library' }).click();
    await expect(maren.getByRole('heading', { name: /C-7001/ })).toBeVisible();

    await maren.getByRole('button', { name: 'Put it in a holder' }).click();
    await choose(maren, 'Holder', 'H-401');
    await maren.getByLabel('Out of the holder').fill('80');
    await expect(maren.getByText(/It must lie|it must lie between/)).toBeVisible();
    await maren.getByLabel('Out of the holder').fill('34');
    await maren.getByLabel('Shop number').fill('A-7001');
    await maren.getByRole('button', { name: 'Add to the library' }).click();
    await expect(maren.getByRole('heading', { name: /A-7001/ })).toBeVisible();
  });

  await test.step('figures, picture, limits and derivation follow what is chosen', async () => {
    await maren.getByRole('button', { name: 'Calculate with it' }).click();
    await choose(maren, 'Work material', 'S355');
    await choose(maren, 'Machine', 'Brindle');
    await expect(maren.locator('[data-figure="spindleSpeed"] b')).toHaveText('6048');
    const feed = await figure(maren, 'feedRate');
    await maren.getByLabel('Width, at most').fill('1');
    await expect.poll(() => figure(maren, 'feedRate')).toBeGreaterThan(feed);
    await expect(maren.getByRole('img', { name: /width 1.00 mm/ })).toBeVisible();
    await maren.getByLabel('Cutting speed').fill('150');
    await expect(maren.locator('[data-figure="spindleSpeed"] b')).toHaveText('4775');
    await expect(maren.locator('.rung')).not.toHaveCount(0);
    await maren.getByRole('button', { name: 'Why: Torque' }).click();
    await expect(maren.locator('.derivation li[data-asked="true"]')).toContainText('P');
    await choose(maren, 'Machine', 'Old Peg');
    await expect(maren.getByText(/Highest speed: .* is asked for/)).toBeVisible();
    await maren.getByLabel('Cutting speed').press('Escape');
    await expect(maren.locator('[data-figure="spindleSpeed"] b')).toHaveText('4500');
    await expect(maren.getByText(/held from .* by: highest speed/)).toBeVisible();
    await choose(maren, 'Machine', 'Brindle');
  });

  await test.step('she saves it as a draft with a note and hands it in', async () => {
    await maren.getByLabel(/a note for the record/).fill('Tried on two hub spiders.');
    await maren.getByRole('button', { name: 'Save as draft record' }).click();
    await expect(maren.getByText('draft', { exact: true })).toBeVisible();
    await maren.getByRole('button', { name: 'Submit for review' }).click();
    await expect(maren.getByText('in review', { exact: true })).toBeVisible();
    await expect(maren.getByRole('button', { name: 'Approve' })).toHaveCount(0);
  });
  const number = /R-\d+/.exec(maren.url())![0];

  const tobiah = await comeInAs(browser, 'Tobiah Fenwright');
  await test.step('the approver sees what and why, and sends it back with a reason', async () => {
    await tobiah.getByRole('link', { name: new RegExp(number) }).click();
    await expect(tobiah.getByText('Tried on two hub spiders.')).toBeVisible();
    await expect(tobiah.locator('tr.differs')).toContainText(['Width, at most']);
    await tobiah.getByRole('button', { name: 'Send back' }).click();
    await expect(tobiah.getByText('A reason is needed')).toBeVisible();
    await tobiah.getByLabel('Reason').fill('Which coolant?');
    await tobiah.getByRole('button', { name: 'Send back' }).click();
    await expect(tobiah.getByText('sent back', { exact: true })).toBeVisible();
  });

  await test.step('the engineer mends the draft', async () => {
    await maren.reload();
    await expect(maren.getByText('Which coolant?').first()).toBeVisible();
    await maren.getByRole('link', { name: 'Work on the draft' }).click();
    await expect(maren.getByLabel('Width, at most')).toHaveValue('1');
    await maren.getByLabel(/a note for the record/).fill('Tried on two hub spiders, flood coolant.');
    await maren.getByRole('button', { name: `Save draft ${number}` }).click();
    await maren.getByRole('button', { name: 'Submit for review' }).click();
    await expect(maren.getByText('in review', { exact: true })).toBeVisible();
  });

  const jory = await comeInAs(browser, 'Jory Pellow', '/lookup?q=A-7001');
  await test.step('the approver approves and publishes; before that nobody reads it', async () => {
    await tobiah.reload();
    await tobiah.getByRole('button', { name: 'Approve' }).click();
    await expect(tobiah.getByText('approved', { exact: true })).toBeVisible();
    await expect(jory.getByText('Nothing approved fits these words')).toBeVisible();
    await tobiah.getByRole('link', { name: 'Editions' }).click();
    await tobiah.getByLabel('Note of the edition').fill('Hub spider, small cutter.');
    await tobiah.getByRole('button', { name: 'Publish' }).click();
    await tobiah
      .locator('.next')
      .getByRole('link', { name: /^Edition \d+$/ })
      .click();
    await expect(tobiah.getByRole('cell', { name: new RegExp(`${number} rev 1`) })).toBeVisible();
  });

  await test.step('the reader finds the figures, on a phone too', async () => {
    await jory.reload();
    await expect(jory.getByRole('article', { name: /A-7001/ })).toContainText('mm/min');
    const phone = await comeInAs(browser, 'Jory Pellow', '/lookup', {
      width: 390,
      height: 844,
    });
    await phone.getByLabel('Shop number, material, operation').fill('a-7001');
    await expect(phone.getByRole('article', { name: /A-7001/ })).toContainText('6048');
    expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await expect(phone.getByRole('link', { name: 'Records' })).toHaveCount(0);
  });
});
