import { expect, test, type Page } from './workshop';
import { comeInAs } from './people';

const box = (page: Page, label: string) => page.getByRole('textbox', { name: new RegExp(`^${label}`) });

test('a thread is found by what people type, and its figures stand in inches too', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/shop/threads');
  await expect(maren.getByText(/threads, the first 200 shown/)).toBeVisible();
  await maren.getByLabel('Find a thread').fill('1/2-13');
  await expect(maren.locator('tbody tr.ant-table-row').first()).toContainText('1/2-13 UNC');
  await maren.getByRole('link', { name: '1/2-13 UNC', exact: true }).click();
  await expect(maren.getByRole('heading', { level: 1 })).toHaveText('1/2-13 UNC');
  await expect(maren.getByRole('img', { name: /Profile of 1\/2-13 UNC/ })).toBeVisible();
  await maren.getByRole('button', { name: 'in', exact: true }).click();
  await expect(maren.getByRole('row', { name: /^2A/ })).toContainText('0.4435');
  await expect(maren.getByRole('row', { name: /^2B/ })).toContainText('0.4565');
});

test('a wire and a cutter are asked about, and what cannot be is refused at its box', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', `/shop/threads/listed?thread=${encodeURIComponent('M20×2.5')}`);
  await box(maren, 'Cutter').fill('14');
  await expect(maren.getByText('Flank error of Ø14.00')).toBeVisible();
  await expect(maren.getByText(/The cutter takes 32.1 µm off the flanks/)).toBeVisible();
  await box(maren, 'Cutter').fill('30');
  await expect(maren.getByText(/The cutter is 30 mm; it must lie between/)).toBeVisible();
  await box(maren, 'Cutter').fill('6');
  await expect(maren.getByText(/off the flanks/)).toBeHidden();
  await box(maren, 'Wire').fill('.5');
  await expect(maren.getByText(/sinks below the crests/)).toBeVisible();
});

test('an own thread goes from its listed parent to approved, by two people', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', `/shop/threads/listed?thread=${encodeURIComponent('Tr40×7')}`);
  await maren.getByRole('button', { name: 'Make an own thread from this' }).click();
  await expect(maren.getByRole('heading', { level: 1 })).toContainText('made from Tr40×7');
  await maren.getByLabel('What the shop calls it').fill('Spindle nut, worn');
  await maren.getByLabel('What it is for').fill('Second nut on a worn spindle');
  await box(maren, 'Pitch P').fill('14/2');
  await maren.getByRole('button', { name: 'Add to the shop' }).click();
  await expect(maren.getByText(/It does not differ from Tr40×7/).first()).toBeVisible();
  await box(maren, 'Major diameter').fill('40-.4');
  await box(maren, 'Starts').fill('2');
  await maren.getByRole('button', { name: 'Add to the shop' }).click();
  await expect(maren.getByText('revision 1, maren')).toBeVisible();
  await expect(maren.getByText(/Not approved yet/)).toBeVisible();
  await expect(maren.getByRole('row', { name: /Major diameter/ })).toContainText('39.600');

  const tobiah = await comeInAs(browser, 'Tobiah Fenwright', new URL(maren.url()).pathname);
  await tobiah.getByRole('button', { name: 'Approve revision 1' }).click();
  await expect(tobiah.getByText(/Approved by tobiah/)).toBeVisible();
  await box(maren, 'Major diameter').fill('39.5');
  await maren.getByRole('button', { name: 'Save as revision 2' }).click();
  await expect(maren.getByText(/Revision 1 was approved by tobiah; it has changed since/)).toBeVisible();
});
