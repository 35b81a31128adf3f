import { expect, test, type Browser, type BrowserContext, type Page } from './workshop';

// Windows of tests that are over only take time from the next one.
let windows: { of: string; context: BrowserContext }[] = [];

/** Opens a window of their own for one of the demo people, who have come in already. */
export async function comeInAs(browser: Browser, fullName: string, path = '/', viewport = { width: 1280, height: 800 }): Promise<Page> {
  const of = test.info().testId;
  await Promise.all(windows.filter((w) => w.of !== of).map((w) => w.context.close()));
  const context = await browser.newContext({ viewport });
  windows = [...windows.filter((w) => w.of === of), { of, context }];
  const page = await context.newPage();
  page.on('pageerror', (error) => {
    throw error;
  });
  const came = await context.request.post(`/api/v1/session/demo/${fullName.split(' ')[0]!.toLowerCase()}`);
  expect(came.ok()).toBe(true);
  await page.goto(path);
  await expect(page.getByRole('banner').getByRole('button', { name: fullName })).toBeVisible();
  return page;
}

/** Chooses another word of the situation sentence. */
export async function choose(page: Page, word: string, text: string): Promise<void> {
  const box = page.getByRole('combobox', { name: word, exact: true });
  await box.click();
  await box.fill(text);
  await expect(page.locator('.ant-select-dropdown:visible .ant-select-item-option-active').filter({ hasText: text })).toBeVisible();
  await box.press('Enter');
}

/** The number a figure shows, without unit and without thin spaces. */
export async function figure(page: Page, code: string): Promise<number> {
  const text = await page.locator(`[data-figure="${code}"] b`).first().innerText();
  return Number(text.replace(/[^\d.]/g, ''));
}

/** Asks the API in the name of whoever has the page, and gives the answer. */
export const call = async (page: Page, method: 'get' | 'post' | 'put', path: string, body?: unknown, version?: number) => {
  const answer = await page.request[method](`/api/v1${path}`, {
    ...(body !== undefined && { data: body }),
    ...(version !== undefined && { headers: { 'If-Match': `"${version}"` } }),
  });
  expect(answer.ok(), `${method} ${path}: ${await answer.text()}`).toBe(true);
  return answer.json();
};
