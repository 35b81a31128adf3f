import { expect, test, type Page } from './workshop';
import { comeInAs } from './people';

/** Presses keys and counts them; what is typed counts letter by letter. */
class Hands {
  count = 0;
  constructor(readonly page: Page) {}

  async press(key: string, times = 1) {
    for (let i = 0; i < times; i++) await this.page.keyboard.press(key);
    this.count += times;
  }

  async type(text: string) {
    await this.page.keyboard.type(text);
    this.count += text.length;
  }

  /** Presses a key until something has the focus. */
  async until(key: string, name: string | RegExp, role: 'button' | 'link' | 'textbox' | 'combobox' | 'tab' = 'button') {
    const wanted = this.page.getByRole(role, { name }).first();
    for (let i = 0; i < 60; i++) {
      if (await wanted.evaluate((e) => e === document.activeElement)) return;
      await this.press(key);
    }
    throw new Error(`${key} never came to ${name}`);
  }
}

const WALL = '/calculate?op=side-rough&material=1&assembly=6&machine=1';

test('from a field to the tray by at most six keys, and back', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', WALL);
  const hands = new Hands(maren);
  await maren.getByLabel('Depth, at most').focus();
  await expect(maren.getByRole('button', { name: 'Pin to the tray' })).toBeEnabled();
  await hands.press('Shift+F6', 2);
  await hands.until('Tab', 'Pin to the tray');
  expect(hands.count).toBeLessThanOrEqual(6);
  await maren.keyboard.press('Enter');
  await expect(maren.getByRole('tab', { name: 'Tray · 1' })).toHaveAttribute('aria-selected', 'true');
});

test('what can be looked at is gone through by arrow keys', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', WALL);
  await maren.getByRole('tab', { name: 'Operating window' }).focus();
  await maren.keyboard.press('ArrowRight');
  await expect(maren.getByRole('tab', { name: 'Load over a turn' })).toBeFocused();
  await expect(maren.getByRole('tabpanel', { name: 'Load over a turn' })).toContainText('tangential');
  await maren.keyboard.press('Home');
  await maren.keyboard.press('ArrowLeft');
  await expect(maren.getByRole('tab', { name: 'Tray' })).toBeFocused();
  expect(await maren.locator('[role=tab][tabindex="0"]').count()).toBe(1);
});

test('a cutter and where it stands are found by keyboard alone', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/library');
  const hands = new Hands(maren);
  await expect(maren.getByRole('heading', { name: 'Library' })).toBeVisible();
  await hands.press('/');
  await expect(maren.getByRole('combobox', { name: 'Find anything' })).toBeFocused();
  await hands.type('C-0020');
  await expect(maren.locator('.ant-select-item-option').first()).toContainText('C-0020');
  await hands.press('Enter');
  const heading = maren.getByRole('heading', { level: 1, name: /C-0020/ });
  await expect(heading).toBeFocused();
  await expect(maren).toHaveTitle(/C-0020.* · Incisura/);
  await expect(maren.getByRole('heading', { name: 'Where it is used' })).toBeVisible();
  for (
    let i = 0;
    i < 6 && !(await maren.getByRole('heading', { name: 'Where it is used' }).evaluate((e) => e === document.activeElement));
    i++
  )
    await hands.press('F6');
  await hands.press('Tab');
  await expect(maren.getByRole('link', { name: /A-1042/ }).first()).toBeFocused();
  expect(hands.count).toBeLessThanOrEqual(14);
});

test('steps are taken back and again, by the browser and by keys, and a link on the page is followed', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', WALL);
  const width = maren.getByLabel('Width, at most');
  await width.fill('1.7');
  await maren.getByLabel('Wall height').fill('21');
  await expect(maren).toHaveURL(/wallHeight=21/);
  await maren.goBack();
  await expect(maren.getByLabel('Wall height')).not.toHaveValue('21');
  await expect(width).toHaveValue('1.7');
  await maren.getByRole('button', { name: 'Back', exact: true }).click();
  await expect(width).not.toHaveValue('1.7');
  await maren.getByRole('tab', { name: 'Derivation' }).focus();
  await maren.keyboard.press('Control+y');
  await expect(width).toHaveValue('1.7');
  await maren.reload();
  await expect(width).toHaveValue('1.7');
  await maren.evaluate((to) => {
    window.history.pushState(null, '', to);
    window.dispatchEvent(new PopStateEvent('popstate', { state: null }));
  }, '/calculate?op=slot&material=2&assembly=6&machine=1&n.feedPerTooth=0.02');
  await expect(maren.getByLabel('Feed per tooth')).toHaveValue('0.02');
  await expect(maren.getByRole('heading', { level: 1 })).toHaveText(/Slot/);
});

test('what an address names and is not there is said, and nothing is put in its place', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/calculate?op=zzz&material=99&machine=1&assembly=6&n.height=3&colour=red');
  await expect(maren.getByText('There is no operation “zzz”.')).toBeVisible();
  await expect(maren.getByText('There is no work material 99.')).toBeVisible();
  await expect(maren.getByText(/reads this part of the address: colour, n\.height/)).toBeVisible();
  await maren.getByRole('button', { name: 'Leave it out' }).click();
  await expect(maren).not.toHaveURL(/colour|height/);
  await expect(maren).toHaveURL(/op=zzz/);
  await maren.goto(`${WALL}&show=nothing&why=q_q`);
  await expect(maren.getByText('There is nothing called “nothing” to look at')).toBeVisible();
});

test('another operation offers what can do it', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/calculate?op=tap&material=1&assembly=6&machine=1');
  const able = maren.getByRole('region', { name: 'Assemblies that can' });
  await expect(able).toContainText('A square end mill cannot do tapping in step');
  await able.getByRole('button', { name: /M10/ }).first().click();
  await expect(maren.locator('[data-figure=spindleSpeed]')).toBeVisible();
});

test('a refused change of a stage is seen and taken back, also after a reload', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/calculate?op=deep-hole&material=2&machine=1&edits=withdraw~2700~~');
  await expect(maren.getByText('Changed stages')).toBeVisible();
  await maren.getByRole('button', { name: /^Take back/ }).click();
  await expect(maren.getByText('Changed stages')).toBeHidden();
  await expect(maren.locator('[data-figure=spindleSpeed]')).toBeVisible();
});

test('a draft keeps its situation, and going on as a new one frees it', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/records/R-0011');
  await maren.getByRole('link', { name: 'Work on the draft' }).click();
  await expect(maren.getByRole('button', { name: 'Save draft R-0011' })).toBeEnabled();
  for (const word of ['Operation', 'Work material', 'Assembly', 'Machine'])
    await expect(maren.getByRole('combobox', { name: word, exact: true })).toBeDisabled();
  await maren.getByRole('button', { name: 'go on as a new one' }).click();
  await expect(maren.getByRole('combobox', { name: 'Machine', exact: true })).toBeEnabled();
  await expect(maren.getByRole('button', { name: 'Save as draft record' })).toBeVisible();
});

test('a page that fails says so in its place, and the others go on', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/lookup');
  await maren.route('**/assets/RecordsPage*', (route) => route.abort());
  await maren.getByRole('link', { name: 'Records' }).click();
  await expect(maren.getByRole('heading', { name: 'This page failed' })).toBeVisible();
  await maren.getByRole('link', { name: 'Editions' }).click();
  await expect(maren.getByRole('heading', { name: 'Editions', level: 1 })).toBeVisible();
});

test('situations are kept under a name, and opened again with all that was chosen', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', `${WALL}&n.widthOfCut=1.7~in~.067&note=for+the+ring`);
  await maren.getByRole('button', { name: 'situations' }).click();
  await maren.getByLabel('Name of the situation').fill('The ring, last wall');
  await maren.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(maren.getByRole('button', { name: 'The ring, last wall', exact: true })).toBeVisible();
  await maren.goto('/calculate?op=slot&material=2&assembly=6&machine=1');
  await maren.getByRole('button', { name: 'situations (1)' }).click();
  await maren.getByRole('button', { name: 'The ring, last wall', exact: true }).click();
  await expect(maren.getByLabel('Width, at most')).toHaveValue('1.7');
  await expect(maren).not.toHaveURL(/note=/);
});
