import { expect, test } from './workshop';
import { choose, comeInAs } from './people';

test('a cutter of another family is added and changed on its drawing', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/library/cutters');
  await maren.getByRole('button', { name: 'Add a cutter' }).click();
  await choose(maren, 'Family', 'barrel mill');
  await maren.getByRole('textbox', { name: 'Number', exact: true }).fill('C-7101');
  await expect(maren.getByLabel('Profile radius')).toHaveValue('85');
  await maren.getByLabel('Profile radius').fill('100');
  await maren.getByLabel('Corner radius').fill('9');
  await expect(maren.locator('.refusal', { hasText: 'The corner radius RE is 9 mm; it must lie between' })).toBeVisible();
  await maren.getByLabel('Corner radius').fill('2+.5');
  await expect(maren.locator('.refusal')).toHaveCount(0);
  await maren.getByRole('button', { name: 'Add to the library' }).click();
  await expect(maren.getByRole('heading', { name: /C-7101, Ø10 four-flute barrel mill/ })).toBeVisible();

  await maren.getByLabel('Cutting diameter').fill('500');
  await expect(maren.locator('.refusal', { hasText: 'Was 0.5 in (12.7 mm) meant?' })).toBeVisible();
  await maren.getByRole('button', { name: 'Undo' }).click();
  await maren.getByLabel('Usable length').fill('40');
  await expect(maren.locator('.refusal', { hasText: 'needs a diameter DN' })).toBeVisible();
  await maren.getByLabel('Neck diameter').fill('9.4');
  await maren.getByLabel('Overall length').fill('80');
  await maren.getByRole('button', { name: 'Save as revision 2' }).click();
  await expect(maren.getByText('revision 2, maren')).toBeVisible();
  await expect(maren.locator('.history')).toContainText('DN: — → 9.40 mm');

  await maren.getByRole('button', { name: 'Turn it in three dimensions' }).click();
  await expect(maren.getByRole('img', { name: 'C-7101 in three dimensions; drag to turn it' })).toHaveAttribute('data-painted', 'true');
  await maren.getByRole('button', { name: 'More' }).click();
  await maren.getByText('Copy with differences').click();
  await expect(maren.getByText('Copied from C-7101')).toBeVisible();
  await expect(maren.getByLabel('Profile radius')).toHaveValue('100');
});

test('a reach check fails, is cured by its own proposal, and the assembly is kept', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/library/assemblies/new');
  await choose(maren, 'Cutter', 'C-0021');
  await choose(maren, 'Holder', 'H-403');
  await maren.getByRole('button', { name: /^Take 3/ }).click();
  await maren.getByLabel('Air wanted').fill('0');
  await maren.getByLabel('Depth beside the wall').fill('40');
  await expect(maren.getByText(/The holder touches by .* It clears from a projection of 40.00 mm/)).toBeVisible();
  await expect(maren.getByRole('img', { name: 'Drawing of the assembly' }).getByText(/at 40.00 mm|at 3\d/)).toBeVisible();
  await maren.getByRole('button', { name: 'Stand it out 40.00 mm' }).click();
  await expect(maren.getByText('Clears the wall of 40.00 mm.')).toBeVisible();
  await maren.getByLabel('Depth beside the wall').fill('60');
  await expect(maren.getByText(/the grip allows only/)).toBeVisible();
  await maren.getByLabel('Shop number').fill('A-7102');

  await maren.getByRole('button', { name: 'Put it into a machine' }).click();
  await maren.getByRole('spinbutton', { name: 'Place 1' }).fill('5');
  await expect(maren.getByText('A-1042 stands in place 5 of Brindle')).toBeVisible();
  await maren.getByRole('spinbutton', { name: 'Place 1' }).fill('26');
  await maren.getByRole('button', { name: 'Add to the library' }).click();
  await expect(maren.getByRole('heading', { name: 'A-7102, assembly' })).toBeVisible();
});

test('a table with errors is looked at row by row and its good rows are written', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/library/import');
  await maren.locator('input[type=file]').setInputFiles({
    name: 'from-the-drawer.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'Tool no;Type;Diameter;Flutes;Flute length;Overall length;Shank;Colour\nC-7201;square end mill;6,5;4;16;60;8;red\n' +
        'C-7202;wobble mill;6;4;16;60;6;\nC-7203;square end mill;500;4;26;83;12;\n=1+1;square end mill;8;4;20;63;8;\n',
    ),
  });
  await expect(maren.getByText('“wobble mill” is no known family')).toBeVisible();
  await expect(maren.getByText('Was 0.5 in (12.7 mm) meant?')).toBeVisible();
  await expect(maren.getByText('Left out: Colour.')).toBeVisible();
  await expect(maren.getByRole('button', { name: '2 refused' })).toBeVisible();
  await expect(maren.getByRole('button', { name: /All or nothing/ })).toBeDisabled();
  await choose(maren, 'Colour is', 'remarks');
  await expect(maren.getByText('Left out: Colour.')).toHaveCount(0);
  await maren.getByRole('button', { name: 'Write the 2 good rows only' }).click();
  await expect(maren.getByText('2 cutters added, 0 changed.')).toBeVisible();
  await maren.getByRole('button', { name: 'See the cutters' }).click();
  await maren.getByLabel('Find in the list').fill('c-7201');
  await expect(maren.getByRole('link', { name: 'C-7201' })).toBeVisible();
  await expect(maren.getByText('1 cutter of')).toBeVisible();
});

test('many are changed at once after a look, and one undo takes it back', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/library/cutters?family=reamer');
  await expect(maren.getByText(/^5 cutters of/)).toBeVisible();
  await maren.getByLabel('Choose all that fit').click();
  await maren.getByRole('button', { name: 'Change in all' }).click();
  await choose(maren, 'Field to change', 'Coating');
  await maren.getByLabel('New value').fill('TiAlSiN');
  await maren.getByRole('button', { name: 'Show what changes' }).click();
  await expect(maren.getByText('5 of 5 change.')).toBeVisible();
  await expect(maren.getByText('coating: AlTiN → TiAlSiN')).toHaveCount(5);
  await maren.getByRole('button', { name: 'Change 5' }).click();
  await expect(maren.getByText('carbide, TiAlSiN')).toHaveCount(5);
  await maren.getByRole('button', { name: 'Undo all of it' }).click();
  await expect(maren.getByText('Taken back in 5.')).toBeVisible();
  await expect(maren.getByText('carbide, TiAlSiN')).toHaveCount(0);
  await maren.getByRole('button', { name: 'Labels' }).click();
  const labels = maren.waitForEvent('download');
  await maren.getByRole('button', { name: 'Make the PDF' }).click();
  expect((await labels).suggestedFilename()).toBe('labels.pdf');
});

test('a list is searched, narrowed, kept as a view and walked through to its end', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/library/cutters');
  await maren.getByLabel('Find in the list').fill('bal 6 long');
  await expect(maren.getByText('1 cutter of')).toBeVisible();
  await maren.getByRole('button', { name: 'Views' }).click();
  await maren.getByLabel('Name of the view').fill('Blade roots');
  await maren.getByRole('button', { name: 'Keep' }).click();
  await expect(maren.getByRole('button', { name: 'Views (1)' })).toBeVisible();
  await maren.getByLabel('Find in the list').fill('no such thing');
  await maren.getByRole('button', { name: 'Take all filters away' }).click();
  await maren.getByRole('button', { name: 'Size', exact: true }).click();
  const table = maren.getByRole('table');
  await table.focus();
  await table.press('End');
  await expect(maren.getByRole('link', { name: 'C-0197' })).toBeVisible();
  await maren.reload();
  await maren.getByRole('button', { name: 'Views (1)' }).click();
  await maren.getByRole('button', { name: 'Blade roots', exact: true }).click();
  await expect(maren.getByLabel('Find in the list')).toHaveValue('bal 6 long');
});

test('a cutter added in the middle of a calculation comes back into it with all that was typed', async ({ browser }) => {
  const maren = await comeInAs(browser, 'Maren Osk', '/calculate?op=side-rough&material=1&assembly=6&machine=1');
  await maren.getByLabel('Width, at most').fill('1.7');
  await expect(maren).toHaveURL(/n.widthOfCut=1.7/);
  await choose(maren, 'Assembly', 'Add a cutter');
  await maren.getByRole('textbox', { name: 'Number', exact: true }).fill('C-7301');
  await maren.getByRole('button', { name: 'Add to the library' }).click();
  await expect(maren.getByRole('heading', { name: 'A new assembly' })).toBeVisible();
  await choose(maren, 'Holder', 'H-401');
  await maren.getByRole('button', { name: /^Take/ }).click();
  await maren.getByLabel('Shop number').fill('A-7301');
  await maren.getByRole('button', { name: 'Add to the library' }).click();
  await expect(maren.getByText('(A-7301)')).toBeVisible();
  await expect(maren.getByLabel('Width, at most')).toHaveValue('1.7');
});

test('a holder takes its profile from a drawing, whose stray line is shown', async ({ browser }) => {
  const line = (...p: number[]) => `0\nLINE\n8\n0\n10\n${p[0]}\n20\n${p[1]}\n11\n${p[2]}\n21\n${p[3]}\n`;
  const maren = await comeInAs(browser, 'Maren Osk', '/library/holders/new');
  await maren.getByRole('button', { name: 'Read it from a DXF drawing' }).click();
  await maren.getByLabel('DXF drawing').setInputFiles({
    name: 'nose.dxf',
    mimeType: 'image/vnd.dxf',
    buffer: Buffer.from(
      `0\nSECTION\n2\nENTITIES\n${line(0, 0, 0, 12)}${line(0, 12, 44, 16)}${line(44, 16, 44, 25)}${line(44, 25, 70, 25)}${line(80, 3, 90, 3)}` +
        `0\nENDSEC\n0\nEOF\n`,
    ),
  });
  await expect(maren.getByText('The drawing does not say its unit')).toBeVisible();
  await expect(maren.getByText(/1 other line does not touch the profile/)).toBeVisible();
  // It reaches further along the axis, so a person says that it does not belong.
  await expect(maren.getByText(/Another line reaches 20 mm further along the axis/)).toBeVisible();
  await expect(maren.getByRole('button', { name: 'Take 0 segments' })).toBeDisabled();
  await maren.getByLabel(/1 pieces, 10.0 mm/).uncheck();
  await maren.getByRole('button', { name: 'Take 2 segments' }).click();
  await expect(maren.getByLabel('Ø back').first()).toHaveValue('32');
  await maren.getByLabel('Number', { exact: true }).fill('H-7401');
  await maren.getByRole('button', { name: 'Add to the library' }).click();
  await expect(maren.getByText('70.00 mm from nose to gauge line')).toBeVisible();
});
