// Measures the built server on loopback with the demo workshop: answers per second and their times with 20 at a time,
// the first page in a real browser, and the memory of the server. Bounded: 20 seconds of requests, then it stops by itself.
import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { root, startServer } from './server.mjs';

const port = 5096;
const { data, cookie, stop, memory } = await startServer(port);
try {
  const script = join(data, 'calculate.lua');
  writeFileSync(
    script,
    `wrk.method = "POST"
wrk.headers["content-type"] = "application/json"
wrk.headers["cookie"] = "${cookie}"
local n = 0
request = function()
  n = n + 1
  return wrk.format(nil, nil, nil, '{"materialId":1,"assemblyId":6,"machineId":1,"numbers":{"widthOfCut":' .. (1 + n % 40 / 20) .. '}}')
end
done = function(summary, latency)
  io.write(string.format("median %.2f ms, p95 %.2f ms, p99 %.2f ms, %.0f a second, %d refused or failed",
    latency:percentile(50) / 1000, latency:percentile(95) / 1000, latency:percentile(99) / 1000,
    summary.requests / summary.duration * 1e6, summary.errors.status + summary.errors.read + summary.errors.timeout))
end`,
  );
  const wrk = (seconds) =>
    execFileSync('wrk', ['-t1', '-c20', `-d${seconds}`, '-s', script, `http://127.0.0.1:${port}/api/v1/calculations/side-rough`], {
      encoding: 'utf8',
    });
  wrk(12);
  console.log(`POST /calculations/side-rough, 20 at a time: ${wrk(8).trim().split('\n').pop()}`);

  const { chromium } = createRequire(`${root}/web/`)('@playwright/test');
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu'],
  });
  for (const [name, path, ready] of [
    ['sign-in', '/', 'button:has-text("Maren Osk")'],
    ['Calculate', '/calculate?op=side-rough&material=1&assembly=6&machine=1', '[data-figure="spindleSpeed"]'],
  ]) {
    const context = await browser.newContext();
    if (name !== 'sign-in') await context.request.post(`http://127.0.0.1:${port}/api/v1/session/demo/maren`);
    const page = await context.newPage();
    const from = performance.now();
    await page.goto(`http://127.0.0.1:${port}${path}`);
    await page.locator(ready).first().waitFor();
    console.log(`${name}, first visit with an empty cache, usable after ${(performance.now() - from).toFixed(0)} ms`);
    await context.close();
  }
  await browser.close();

  console.log(`server resident after all this: ${memory('VmRSS').toFixed(0)} MB`);
} finally {
  stop();
}
