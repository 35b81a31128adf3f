import { expect, test } from './workshop';
import { BarcodeFormat, QRCodeWriter } from '@zxing/library';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import config from './playwright.config';
import { comeInAs } from './people';

// Labels hold the address they are looked up at, whatever the workshop's host is called.
const film = join(mkdtempSync(join(tmpdir(), 'incisura-code-')), 'code.y4m');
writeFileSync(film, filmOf('https://tools.workshop.example/lookup?q=A-2012'));
const usual = config.use!.launchOptions!;
const camera = ['--use-fake-ui-for-media-stream', '--use-fake-device-for-media-stream', `--use-file-for-fake-video-capture=${film}`];
test.use({ launchOptions: { ...usual, args: [...usual.args!, ...camera] } });

test('the camera, and a scanner that types, read the code of a label and look it up', async ({ browser }) => {
  const jory = await comeInAs(browser, 'Jory Pellow', '/lookup', { width: 390, height: 844 });
  await jory.getByRole('button', { name: 'Scan a code' }).click();
  await expect(jory.getByRole('searchbox')).toHaveValue('A-2012');
  await expect(jory.getByRole('heading', { name: /A-2012/ })).toBeVisible();
  await expect(jory.locator('video')).toHaveCount(0);

  await jory.getByRole('searchbox').fill('https://tools.workshop.example/lookup?q=A-1042&record=R-0001');
  await jory.getByRole('searchbox').press('Enter');
  await expect(jory.getByRole('searchbox')).toHaveValue('A-1042');
  await expect(jory.getByText(/^R-0001 revision/)).toBeVisible();
});

// A film of one still picture, uncompressed, as the browser takes it in place of a camera.
function filmOf(code: string): Buffer {
  const [width, height] = [640, 480];
  const bits = new QRCodeWriter().encode(code, BarcodeFormat.QR_CODE, 400, 400, new Map());
  const light = Buffer.alloc(width * height, 235);
  for (let y = 0; y < 400; y++) for (let x = 0; x < 400; x++) if (bits.get(x, y)) light[(y + 40) * width + x + 120] = 16;
  const colour = Buffer.alloc((width * height) / 2, 128);
  return Buffer.concat([Buffer.from(`YUV4MPEG2 W${width} H${height} F10:1 Ip A1:1 C420jpeg\n`), Buffer.from('FRAME\n'), light, colour]);
}
