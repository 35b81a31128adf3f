import { expect, test } from '@playwright/test';
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
