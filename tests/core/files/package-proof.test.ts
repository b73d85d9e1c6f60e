import { zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { provenPackage } from '../../../core/files/hand-off/prove-package';
import { ReadBackError } from '../../../core/files/hand-off/read-back-error';
import { writeJobFile } from '../../../core/files/job-file';
import { cardWith } from '../../kit';

describe('a package is opened again', () => {
  const job = writeJobFile({ job: cardWith([]), assets: {} });
  const entries = {
    'card.tidyedge': job,
    'print/card.pdf': new Uint8Array(5000).fill(7),
    'ticket.json': Uint8Array.of(1),
  };
  const packed = (put: Record<string, Uint8Array>): Uint8Array => zipSync(put, { level: 0 });
  it('and handed over where all of it is there and the job opens', () => {
    const zip = packed(entries);
    expect(provenPackage(zip, entries)).toBe(zip);
  });
  it.each([
    ['a file is missing', packed({ 'card.tidyedge': job, 'ticket.json': Uint8Array.of(1) }), /print\/card\.pdf/],
    ['a file has another byte', packed({ ...entries, 'print/card.pdf': new Uint8Array(5000).fill(8) }), /other bytes/],
    ['there is one more', packed({ ...entries, 'x.txt': new Uint8Array() }), /others/],
    ['it is cut short', packed(entries).slice(0, 900), /cannot be read/],
  ])('and refused where %s', (_, zip, says) => {
    expect(() => provenPackage(zip, entries)).toThrow(ReadBackError);
    expect(() => provenPackage(zip, entries)).toThrow(says);
  });
  it('and refused where the job in it does not open', () => {
    const broken = { ...entries, 'card.tidyedge': new Uint8Array(40) };
    expect(() => provenPackage(packed(broken), broken)).toThrow(/job that does not open/);
  });
});
