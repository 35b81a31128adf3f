import { expect, type Browser, type Page } from './workshop';
import { comeInAs } from './people';

/** Opens Calculate with assembly, material and machine by the names people know them by. */
export async function calculate(
  browser: Browser,
  operation: string,
  assembly: string,
  material: string,
  machine: string,
  more: Record<string, string> = {},
) {
  const maren = await comeInAs(browser, 'Maren Osk', '/shop/threads');
  const get = async (path: string) => (await maren.request.get(`/api/v1/${path}`)).json();
  const rows = (await get('library/assemblies?take=500')).rows as { sheet: { id: number; definition: { number: string } } }[];
  const named = async (kind: string, name: string) =>
    ((await get(`shop/${kind}`)) as { id: number; definition: { name: string } }[]).find((o) => o.definition.name === name)!.id;
  const address = new URLSearchParams({
    op: operation,
    material: String(await named('materials', material)),
    assembly: String(rows.find((r) => r.sheet.definition.number === assembly)!.sheet.id),
    machine: String(await named('machines', machine)),
    ...more,
  });
  await maren.goto(`/calculate?${address}`);
  await expect(maren.locator('[data-figure="spindleSpeed"] b')).toBeVisible();
  return maren;
}

/** The box of a field. */
export const field = (page: Page, name: string) => page.getByRole('textbox', { name: new RegExp(`^${name}`) });
