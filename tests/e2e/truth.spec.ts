import { expect, test, type Browser } from './workshop';
import { request } from 'node:http';
import { evaluate } from 'mathjs';
import { comeInAs } from './people';

interface Step {
  formula: { symbol: string; expression: string };
  value: number;
  terms: { symbol: string; value: number }[];
}

interface Described {
  code: string;
  families: string[];
  options: { code: string }[];
}

test('every step of the derivation, worked out again by another program, gives the same figure', async ({ request }) => {
  await request.post('/api/v1/session/demo/maren');
  let steps = 0;
  const again = async (operation: string, body: object) => {
    const answer = await request.post(`/api/v1/calculations/${operation}?explain=true`, { data: body });
    expect(answer.ok(), await answer.text()).toBeTruthy();
    for (const step of (await answer.json()).steps as Step[]) {
      const scope = Object.fromEntries(step.terms.map((t) => [t.symbol, t.value]));
      const value = evaluate(step.formula.expression, scope) as number;
      expect(Math.abs(value - step.value), `${operation}: ${step.formula.symbol} = ${step.formula.expression}`).toBeLessThanOrEqual(
        1e-9 * Math.max(1e-9, Math.abs(step.value)),
      );
      steps++;
    }
  };
  for (const operation of ['side-rough', 'side-finish'])
    for (const numbers of [
      {},
      { widthOfCut: 1, stockWidth: 7, wallHeight: 41 },
      { depthOfCut: 3, cuttingSpeed: 40, feedPerTooth: 0.02 },
      { widthOfCut: 2.9, cornerRadius: 30 },
    ])
      for (const assemblyId of [1, 6, 12, 20]) await again(operation, { materialId: 2, assemblyId, machineId: 1, numbers });

  // Every operation, with a cutter of every family that has rows in the chart, also round an outer bend and on curved surfaces.
  const seen = new Set<string>();
  for (const { code, families, options } of (await (await request.get('/api/v1/operations')).json()) as Described[])
    for (const family of families) {
      const found = await (await request.get(`/api/v1/library/assemblies?family=${family}&take=1`)).json();
      const assemblyId = found.rows[0]?.sheet.id as number | undefined;
      const asked =
        assemblyId && (await request.post(`/api/v1/calculations/${code}`, { data: { materialId: 2, assemblyId, machineId: 1 } }));
      if (!asked || !asked.ok()) continue;
      const body = { materialId: 2, assemblyId, machineId: 1 };
      await again(code, body);
      if (options.some((o) => o.code === 'bend')) await again(code, { ...body, numbers: { cornerRadius: 40 }, options: { bend: 'outer' } });
      if (options.some((o) => o.code === 'surface'))
        for (const surface of ['concave', 'convex']) await again(code, { ...body, numbers: { surfaceRadius: 500 }, options: { surface } });
      if (options.some((o) => o.code === 'end')) await again(code, { ...body, options: { end: 'through' } });
      if (options.some((o) => o.code === 'meaning')) await again(code, { ...body, options: { meaning: 'point' } });
      if (code === 'deep-hole')
        await again(code, {
          ...body,
          extras: [
            {
              kind: 'crossHoles',
              holes: [
                { distance: 30, diameter: 4, angle: 90, offset: 0 },
                { distance: 50, diameter: 6, angle: 60, offset: 2.5 },
              ],
            },
          ],
        });
      if (options.some((o) => o.code === 'cycle')) await again(code, { ...body, options: { cycle: 'full-retract' } });
      seen.add(code);
    }
  // A tap on a control that rounds its feed, held by its machine.
  const tap = await (await request.get('/api/v1/library/assemblies?q=A-1316&take=1')).json();
  await again('tap', { materialId: 2, assemblyId: tap.rows[0].sheet.id, machineId: 4, numbers: { cuttingSpeed: 60 } });
  // Threads that taper, of two starts, and inside.
  const cutting = async (operation: string, assembly: string, machineId: number, text: string) => {
    const found = await (await request.get(`/api/v1/library/assemblies?q=${assembly}&take=1`)).json();
    const extras = [{ kind: 'threadToCut', text, ownId: 0 }];
    await again(operation, { materialId: 5, assemblyId: found.rows[0].sheet.id, machineId, extras });
  };
  await cutting('thread-turning', 'A-3009', 3, 'Tr40×14 (P7) LH');
  await cutting('thread-turning', 'A-3011', 3, '3/8-18 NPT');
  await cutting('thread-milling', 'A-1332', 1, '3/8-18 NPT');
  // Work that is turned: to an outline, inside, held by a steady rest, past the clamp, beside a shoulder.
  const turning = async (operation: string, assembly: string, more: object) => {
    const found = await (await request.get(`/api/v1/library/assemblies?q=${assembly}&take=1`)).json();
    await again(operation, { materialId: 1, assemblyId: found.rows[0].sheet.id, machineId: 3, ...more });
  };
  const extras = [
    {
      kind: 'turnedOutline',
      steps: [
        { diameter: 24, length: 60 },
        { diameter: 30, length: 40 },
      ],
    },
  ];
  await turning('turn-rough', 'A-3001', { options: { support: 'steady' }, extras });
  await turning('turn-rough', 'A-3020', { numbers: { startDiameter: 50, endDiameter: 58 }, options: { spindle: 'counter' } });
  await turning('turn-finish', 'A-3002', { numbers: { finishWanted: 60 }, extras });
  await turning('turn-face', 'A-3001', { numbers: { startDiameter: 120, stockHeight: 5 } });
  await turning('turn-groove', 'A-3006', { numbers: { slotWidth: 7 } });
  await turning('part-off', 'A-3004', { numbers: { startDiameter: 44, shoulderDiameter: 90 } });
  expect([...seen]).toHaveLength(31);
  expect(steps).toBeGreaterThan(500);
});

/** Announces a body of some bytes and sends none of it: what is too large is refused by its size, before it is read. */
async function announce(browser: Browser, baseURL: string, path: string, bytes: number, type: string) {
  const page = await comeInAs(browser, 'Maren Osk');
  const cookie = (await page.context().cookies()).map((c) => `${c.name}=${c.value}`).join('; ');
  return new Promise<{ status: number | undefined; text: string }>((done, fail) => {
    const headers = { 'content-type': type, 'content-length': bytes, cookie };
    const sent = request(baseURL + path, { method: 'POST', headers }, (answer) => {
      let text = '';
      answer.on('data', (chunk) => (text += chunk));
      answer.on('end', () => {
        done({ status: answer.statusCode, text });
        sent.destroy();
      });
    });
    sent.on('error', fail);
    sent.flushHeaders();
  });
}

test('a body of ten megabytes is refused by its size', async ({ browser, baseURL }) => {
  const answer = await announce(browser, baseURL!, '/api/v1/calculations/side-rough', 10_000_000, 'application/json');
  expect(answer.status).toBe(413);
  expect(answer.text).toContain('larger than 1 MB');
});

test('a table of two gigabytes is refused before any of it is read', async ({ browser, baseURL }) => {
  const answer = await announce(browser, baseURL!, '/api/v1/library/cutters/imports?file=huge.csv', 2 ** 31, 'application/octet-stream');
  expect(answer.status).toBe(413);
  expect(answer.text).toContain('larger than 32 MB');
});
