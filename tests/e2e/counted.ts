import { mkdirSync, writeFileSync } from 'node:fs';
import type { FullConfig, Reporter, Suite, TestCase, TestResult } from '@playwright/test/reporter';

/** After the last test a browser has so long to end, in milliseconds: one that will not keeps nobody waiting. */
const END_WITHIN = 60_000;

/** Writes how many tests passed and which failed as soon as the last of them has ended. */
export default class Counted implements Reporter {
  private left = 0;
  private passed = 0;
  private failed: string[] = [];
  onBegin(_: FullConfig, suite: Suite): void {
    this.left = suite.allTests().length;
  }
  onTestEnd(test: TestCase, { status, error }: TestResult): void {
    if (status === 'passed') this.passed++;
    else this.failed.push(`${test.titlePath().slice(2).join(' › ')}: ${error?.message ?? status}`);
    if (--this.left > 0) return;
    mkdirSync('test-results', { recursive: true });
    writeFileSync('test-results/e2e.json', JSON.stringify({ passed: this.passed, failed: this.failed }));
    setTimeout(() => process.exit(this.failed.length > 0 ? 1 : 0), END_WITHIN).unref();
  }
}
