// Adds up what the runners wrote: CTRF from xUnit, Playwright's own JSON from the browser journeys.
import { readFileSync } from 'node:fs';

const total = { passed: 0, failed: 0, skipped: 0 };
for (const file of process.argv.slice(2)) {
  let ran;
  try {
    const report = JSON.parse(readFileSync(file, 'utf8'));
    const s = report.results?.summary;
    ran = s
      ? {
          passed: s.passed,
          failed: s.failed + (s.other ?? 0),
          skipped: s.skipped + s.pending,
        }
      : {
          passed: report.stats.expected + report.stats.flaky,
          failed: report.stats.unexpected,
          skipped: report.stats.skipped,
        };
    if (!s && report.errors.length > 0) ran.failed += report.errors.length;
  } catch (error) {
    console.error(`${file}: the runner left no result (${error.message})`);
    ran = { passed: 0, failed: 1, skipped: 0 };
  }
  if (ran.passed + ran.failed === 0) {
    console.error(`${file}: the runner ran no test`);
    ran.failed = 1;
  }
  for (const key of Object.keys(total)) total[key] += ran[key];
}
console.log(`Tests: ${total.passed} passed, ${total.failed} failed${total.skipped ? `, ${total.skipped} skipped` : ''}`);
process.exit(total.failed === 0 && total.passed > 0 ? 0 : 1);
