import type { Row } from './comparison';

/** A written file that is not what was asked: it is not handed over. Its message says what differs. */
export class ReadBackError extends Error {
  override name = 'ReadBackError';
  constructor(name: string, wrong: readonly Row[]) {
    const says = wrong.map(({ what, asked, read }) => `${what}: asked ${asked}, in the file ${read}.`);
    super(
      `${name} was written, but differs from what was asked, so it was not exported. ${says.join(' ')} Send the job file to whoever looks after this app.`,
    );
  }
}

/** Throws ReadBackError where anything of a file differs from what was asked. */
export function refuseDiffering(name: string, rows: readonly Row[]): void {
  const wrong = rows.filter(({ right }) => !right);
  if (wrong.length > 0) throw new ReadBackError(name, wrong);
}

/** What a file that cannot be read at all is, beside what was asked. */
export const unreadable = (what: string, asked: string, read: string): Row[] => [{ what, asked, read, right: false }];
