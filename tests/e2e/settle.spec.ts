import { expect, test } from './workshop';
import { comeInAs } from './people';

test('a change says what it touches, only that goes stale, and it is settled from the keyboard', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/shop/charts');
  const speed = maren.getByLabel('Cutting speed, row 12', { exact: true });
  await test.step('before it is saved', async () => {
    await speed.fill('550*0.9');
    await speed.press('Tab');
    await maren.getByRole('button', { name: 'What this touches' }).click();
    const touched = maren.getByRole('status', { name: 'What this change touches' });
    await expect(touched).toContainText(/Saved like this, one record of \d+ goes stale; none breaks a limit/);
    await expect(touched.getByRole('listitem')).toHaveCount(1);
    await expect(touched).toContainText(/R-0008.*→/s);
  });
  await test.step('after it only that record is stale', async () => {
    await maren.getByRole('button', { name: /Save as revision/ }).click();
    await expect(maren.getByRole('button', { name: /Save as revision/ })).toBeDisabled();
    await maren.goto('/records?state=stale&text=R-0008');
    await expect(maren.locator('.settlerow')).toHaveCount(1);
    await expect(maren.locator('.settlerow')).toContainText('Speed chart of the shop revised since.');
    await maren.keyboard.press('k');
    await expect(maren.getByRole('alert')).toContainText('Only an approver may approve, send back, keep or withdraw.');

    // What is typed after a refusal is no command.
    await maren.keyboard.type('needs n');
    await expect(maren.getByText(/in your name\?/)).toHaveCount(0);
  });
  await test.step('an approver keeps it in three keys, and the reason is told', async () => {
    const tobiah = await comeInAs(browser, 'Tobiah Fenwright', '/records?state=stale&text=R-0008');
    await expect(tobiah.locator('.settlerow')).toHaveCount(1);
    await tobiah.getByRole('grid', { name: 'Stale records' }).focus();
    await tobiah.keyboard.press('k');
    await expect(tobiah.getByLabel('Why R-0008 still holds')).toBeFocused();
    await tobiah.keyboard.type('Runs every week as it is.');
    await tobiah.keyboard.press('Enter');
    await expect(tobiah.getByText('No record is like this.')).toBeVisible();
    await tobiah.goto('/records/R-0008');
    await expect(tobiah.getByRole('status').first()).toContainText('Kept.');
    await expect(tobiah.getByRole('status').first()).toContainText('Runs every week as it is.');
  });
});

test('what was sent back looks like it, and the reviewer sees what became of it', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/calculate?op=side-rough&material=3&assembly=7&machine=1');
  await maren.getByRole('button', { name: 'Save as draft record' }).click();
  await expect(maren.getByText('draft', { exact: true })).toBeVisible();
  const number = /R-\d+/.exec(maren.url())![0];
  await maren.getByRole('button', { name: 'Submit for review' }).click();
  await maren.getByRole('button', { name: 'Take it back' }).click();
  await maren.getByRole('button', { name: 'Submit for review' }).click();
  await expect(maren.getByText('in review', { exact: true })).toBeVisible();
  const tobiah = await comeInAs(browser, 'Tobiah Fenwright', `/records/${number}`);
  await tobiah.getByLabel('Reason').fill('Half the depth, please.');
  await tobiah.getByRole('button', { name: 'Send back' }).click();
  await expect(tobiah.getByText('sent back', { exact: true })).toBeVisible();

  await maren.goto(`/records?text=${number}`);
  await expect(maren.getByRole('row', { name: new RegExp(number) })).toContainText('sent back');
  await maren.goto(`/records/${number}`);
  await expect(maren.getByText('Sent back: mend it, and hand it in again.')).toBeVisible();
  await maren.getByRole('link', { name: 'Work on the draft' }).click();
  await maren.getByLabel('Depth, at most').fill('5');
  await maren.keyboard.press('Tab');
  await maren.getByRole('button', { name: `Save draft ${number}` }).click();
  await expect(maren.getByRole('heading', { name: 'Since it was sent back' })).toBeVisible();
  await maren.getByRole('button', { name: 'Submit for review' }).click();
  await expect(maren.getByText('in review', { exact: true })).toBeVisible();

  await tobiah.goto(`/records/${number}`);
  await expect(tobiah.getByText('Half the depth, please.').first()).toBeVisible();
  await expect(tobiah.getByRole('row', { name: /Depth of each pass/ }).first()).toContainText('5.00 mm');
  await tobiah.getByRole('button', { name: 'Approve' }).click();
  await expect(tobiah.getByRole('alert')).toContainText('A caution must be accepted with a reason first');
  await tobiah.getByLabel(/Why it may stand: Cutter C-0021 is not meant for group K/).fill('Grey iron only, dry.');
  await tobiah.getByRole('button', { name: 'Approve' }).click();
  await expect(tobiah.getByText('approved', { exact: true })).toBeVisible();
  await expect(tobiah.getByRole('list', { name: 'Cautions' })).toContainText('Grey iron only, dry. (tobiah)');
});
