// Adds up what the runners wrote: CTRF from xUnit, the own JSON of Vitest and of Playwright.
import { readFileSync } from 'node:fs';

const total = { passed: 0, failed: 0, skipped: 0 };
for (const file of process.argv.slice(2)) {
  let ran;
  try {
    const report = JSON.parse(readFileSync(file, 'utf8'));
    if (report.results) {
      const s = report.results.summary;
      ran = { passed: s.passed, failed: s.failed + (s.other ?? 0), skipped: s.skipped + s.pending };
    } else if (report.stats) {
      const s = report.stats;
      ran = { passed: s.expected + s.flaky, failed: s.unexpected + report.errors.length, skipped: s.skipped };
    } else {
      const broken = report.testResults.filter((f) => f.status === 'failed' && f.assertionResults.length === 0).length;
      ran = {
        passed: report.numPassedTests,
        failed: report.numFailedTests + broken,
        skipped: report.numPendingTests + report.numTodoTests,
      };
    }
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
