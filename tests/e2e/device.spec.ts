import { expect, test } from './workshop';
import { comeInAs } from './people';

const PHONE = { width: 390, height: 844 };

test('a phone keeps the part of its machine, opens and answers without a network, and forgets it when its reader signs out', async ({
  browser,
}) => {
  const jory = await comeInAs(browser, 'Jory Pellow', '/lookup', PHONE);
  const device = jory.getByRole('region', { name: 'For times without a network' });
  const stands = device.getByLabel('This device stands at');
  await stands.selectOption({ label: await stands.locator('option', { hasText: 'Tansy' }).innerText() });
  await expect(device.getByText(/Tansy’s part of edition \d+, \d+ records/)).toBeVisible();

  await jory.context().setOffline(true);
  await jory.reload();
  const warning = jory.getByRole('alert').filter({ hasText: 'as this device keeps it' });
  await expect(warning).toContainText('Tansy’s part of edition');
  await jory.getByRole('searchbox').fill('A-2012');
  await jory.getByRole('searchbox').press('Enter');
  await expect(jory.locator('[data-figure="spindleSpeed"]')).toBeVisible();
  await expect(jory.getByText(/, as of /)).toBeVisible();

  // Nothing of other machines is here, and nothing but Lookup works.
  await jory.getByRole('searchbox').fill('Brindle');
  await expect(jory.getByText('Nothing approved fits these words')).toBeVisible();

  await jory.getByRole('button', { name: 'Jory Pellow' }).click();
  await jory.getByRole('button', { name: 'Sign out' }).click();
  await jory.reload();
  await expect(jory.getByRole('searchbox')).toHaveCount(0);
  await jory.context().setOffline(false);

  // The server learns of it before anything else.
  await jory.reload();
  await expect(jory.getByRole('button', { name: /Jory Pellow/ })).toBeVisible();
  expect((await jory.request.get('/api/v1/session')).status()).toBe(204);
});
