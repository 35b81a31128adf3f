import { expect, test } from './workshop';
import { createHash, createPublicKey, verify } from 'node:crypto';
import { comeInAs } from './people';

test('an edition is chosen, published, read, compared, and checked with the means of another program', async ({ browser }) => {
  const tobiah = await comeInAs(browser, 'Tobiah Fenwright', '/editions');
  const next = tobiah.locator('.next');
  await next.getByLabel('Find among them').fill('face milling');
  await expect(next.getByRole('listitem')).toHaveCount(1);
  const record = (await next.getByRole('listitem').getByRole('link').first().innerText()).trim();
  await next.getByRole('combobox', { name: `What the edition takes of ${record}` }).click();
  await tobiah.locator('.ant-select-dropdown:visible .ant-select-item-option').filter({ hasText: 'stays out' }).click();
  await expect(next.getByText('1 chosen otherwise')).toBeVisible();
  await next.getByLabel('Note of the edition').fill('Without the face mill.');
  await next.getByLabel('Ask its readers to say that they have read it').check();
  await next.getByRole('button', { name: 'Publish' }).click();
  await next.getByRole('link', { name: /^Edition \d+$/ }).click();
  await expect(tobiah.getByRole('heading', { level: 1, name: /^Edition \d+$/ })).toBeVisible();
  await expect(tobiah.getByText('Without the face mill.')).toBeVisible();
  const address = new URL(tobiah.url()).pathname;
  await expect(tobiah.getByText(/^0 of \d+ people have read it/)).toBeVisible();
  await expect(tobiah.getByRole('link', { name: new RegExp(`^${record} `) })).toHaveCount(0);

  const jory = await comeInAs(browser, 'Jory Pellow', address);
  await jory.getByRole('button', { name: 'I have read it' }).click();
  await expect(jory.getByText(/that you have read it/)).toBeVisible();
  await tobiah.reload();
  await expect(tobiah.getByText(/^1 of \d+ people have read it/)).toBeVisible();

  // What is taken along is what the page says, and was signed with the workshop's key.
  const file = await (await jory.request.get(`/api/v1${address}/file`)).body();
  const signature = await (await jory.request.get(`/api/v1${address}/signature`)).body();
  const keys = (await (await jory.request.get('/api/v1/editions/keys')).json()) as { pem: string; current: boolean }[];
  await expect(jory.getByText(createHash('sha256').update(file).digest('hex'))).toBeVisible();
  expect(verify('sha256', file, createPublicKey(keys.find((k) => k.current)!.pem), signature)).toBe(true);

  await jory.getByRole('link', { name: /what differs from edition/ }).click();
  await expect(jory.getByRole('heading', { name: 'What differs between two editions' })).toBeVisible();
  await expect(jory.getByText('new', { exact: true }).first()).toBeVisible();
  await jory.getByRole('button', { name: 'The other way round' }).click();
  await expect(jory.getByText('no longer in', { exact: true }).first()).toBeVisible();

  // The next edition asks about it again.
  await tobiah.goto('/editions');
  await tobiah.getByLabel('Find among them').fill('face milling');
  await expect(tobiah.getByText('goes in')).toBeVisible();
});

test('a machine reports back in three taps, offline too, and what must not be run is stopped until an approver decides', async ({
  browser,
}) => {
  const jory = await comeInAs(browser, 'Jory Pellow', '/lookup?q=R-0006', { width: 390, height: 844 });
  await expect(jory.getByRole('heading', { name: /A-2012/ })).toBeVisible();
  await jory.context().setOffline(true);
  await jory.getByRole('button', { name: 'Report back' }).click();
  await jory.getByRole('radio', { name: 'do not run' }).click();
  await jory.getByText('Say more').click();
  await jory.getByLabel('Feed override, %').fill('1,200');
  await expect(jory.getByText('This is no number')).toBeVisible();
  await expect(jory.getByRole('button', { name: 'Send', exact: true })).toBeDisabled();
  await jory.getByLabel('Feed override, %').fill('80');
  await jory.getByLabel('it chattered').check();
  await jory.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(jory.getByText(/Your report is kept on this device/)).toBeVisible();
  await jory.context().setOffline(false);
  await expect(jory.getByText('A report waits on this device: R-0006.')).toBeVisible();
  await jory.getByRole('button', { name: 'Send now' }).click();
  await expect(jory.getByText('What was kept is sent.')).toBeVisible();
  await expect(jory.getByRole('alert').filter({ hasText: 'do not run, it chatters' })).toBeVisible();
  await expect(jory.locator('[data-figure="spindleSpeed"]')).toHaveCount(0);

  const maren = await comeInAs(browser, 'Maren Osk', '/records/R-0006');
  await expect(maren.getByText('Readers are told not to run it until somebody decides.')).toBeVisible();
  await expect(maren.getByText(/feed at 80 %, it chattered/)).toBeVisible();
  await maren.getByLabel('Decision on the report of jory').fill('The holder was worn and is replaced.');
  await maren.getByRole('button', { name: 'May be run again' }).click();
  await expect(maren.getByText('Only an approver who had no hand in these figures')).toBeVisible();

  // Her own figures are let run again by somebody else.
  const tobiah = await comeInAs(browser, 'Tobiah Fenwright', '/records/R-0006');
  await tobiah.getByLabel('Decision on the report of jory').fill('The holder was worn and is replaced.');
  await tobiah.getByRole('button', { name: 'May be run again' }).click();
  await expect(tobiah.getByText('Readers are told not to run it')).toHaveCount(0);
  await expect(tobiah.getByText(/The holder was worn and is replaced/)).toBeVisible();
  await jory.reload();
  await expect(jory.locator('[data-figure="spindleSpeed"]')).toBeVisible();
});
