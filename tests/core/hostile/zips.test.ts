import { deflateRawSync } from 'node:zlib';
import fc from 'fast-check';
import { zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { readZip, ZipDamaged, ZipTooLarge } from '../../../core/files/zip-in';

const LIMITS = { entries: 20, total: 1_000_000, most: (name: string) => (name === 'small' ? 10 : 1_000_000) };
const text = (bytes: Uint8Array): string => new TextDecoder().decode(bytes);
const bytes = (from: string): Uint8Array => new TextEncoder().encode(from);
const read = (zip: Uint8Array) => readZip(zip, () => true, LIMITS);

/** A zip by hand (APPNOTE 6.3), in which the directory may say what it likes. */
function zipOf(
  entries: readonly { name: string; packed: Uint8Array; says?: number; flags?: number; at?: number; method?: number }[],
): Uint8Array {
  const locals: Uint8Array[] = [];
  const directory: Uint8Array[] = [];
  let at = 0;
  for (const { name, packed, says = packed.length, flags = 0, method = 0, at: given } of entries) {
    const local = new Uint8Array(30 + name.length + packed.length);
    const here = new DataView(local.buffer);
    here.setUint32(0, 0x04034b50, true);
    here.setUint16(26, name.length, true);
    local.set(bytes(name), 30);
    local.set(packed, 30 + name.length);
    const row = new Uint8Array(46 + name.length);
    const view = new DataView(row.buffer);
    view.setUint32(0, 0x02014b50, true);
    view.setUint16(8, flags, true);
    view.setUint16(10, method, true);
    view.setUint32(20, packed.length, true);
    view.setUint32(24, says, true);
    view.setUint16(28, name.length, true);
    view.setUint32(42, given ?? at, true);
    row.set(bytes(name), 46);
    locals.push(local);
    directory.push(row);
    at += local.length;
  }
  const end = new Uint8Array(22);
  const view = new DataView(end.buffer);
  view.setUint32(0, 0x06054b50, true);
  view.setUint16(10, entries.length, true);
  view.setUint32(16, at, true);
  return new Uint8Array(Buffer.concat([...locals, ...directory, end]));
}

describe('a zip', () => {
  it('gives back what another writer packed, whatever it is', () => {
    const files = fc.dictionary(fc.stringMatching(/^[a-z]{1,8}$/), fc.uint8Array({ maxLength: 4000 }), { maxKeys: 8 });
    fc.assert(
      fc.property(files, fc.constantFrom(0, 1, 6, 9), (given, level) => {
        const back = readZip(zipSync(given, { level: level as 0 }), () => true, { ...LIMITS, most: () => 4000 });
        expect(Object.fromEntries(Object.entries(back).map(([name, b]) => [name, [...b]]))).toEqual(
          Object.fromEntries(Object.entries(given).map(([name, b]) => [name, [...b]])),
        );
      }),
      { numRuns: 60 },
    );
  });
  it('is read with a comment at its end, and only what is wanted of it', () => {
    const zip = zipOf([
      { name: 'a', packed: bytes('one') },
      { name: 'b', packed: deflateRawSync(bytes('two')), says: 3, method: 8 },
    ]);
    const longer = new Uint8Array(Buffer.concat([zip, bytes('a comment')]));
    expect(Object.keys(readZip(longer, (name) => name === 'b', LIMITS))).toEqual(['b']);
    expect(text(read(longer)['b']!)).toBe('two');
  });
});

describe('a zip that is made to harm', () => {
  const zeros = deflateRawSync(new Uint8Array(50_000_000));
  it.each([
    [
      'one stretch of bytes for many files',
      zipOf(Array.from({ length: 10 }, (_, i) => ({ name: `${i}`, packed: bytes('same'), at: 0 }))),
      ZipDamaged,
    ],
    [
      'files that lie in one another',
      zipOf([
        { name: 'a', packed: bytes('x'.repeat(90)) },
        { name: 'b', packed: bytes('y'), at: 30 },
      ]),
      ZipDamaged,
    ],
    ['more in a file than is said', zipOf([{ name: 'a', packed: zeros, says: 100, method: 8 }]), ZipTooLarge],
    [
      'less in a file than is said',
      zipOf([{ name: 'a', packed: deflateRawSync(bytes('abc')), says: 90, method: 8 }]),
      ZipDamaged,
    ],
    [
      'a file larger than one of its name may be',
      zipOf([{ name: 'small', packed: bytes('eleven bytes') }]),
      ZipTooLarge,
    ],
    [
      'files larger together than they may be',
      zipOf([
        { name: 'a', packed: zeros, says: 600_000, method: 8 },
        { name: 'b', packed: zeros, says: 600_000, method: 8 },
      ]),
      ZipTooLarge,
    ],
    [
      'too many files',
      zipOf(Array.from({ length: 21 }, (_, i) => ({ name: `${i}`, packed: bytes('x') }))),
      ZipTooLarge,
    ],
    ['a secret', zipOf([{ name: 'a', packed: bytes('x'), flags: 1 }]), ZipDamaged],
    ['a way of packing that is not known', zipOf([{ name: 'a', packed: bytes('x'), method: 99 }]), ZipDamaged],
    ['a place outside', zipOf([{ name: 'a', packed: bytes('x'), at: 0xffff_fff0 }]), ZipDamaged],
    ['no end', zipOf([{ name: 'a', packed: bytes('x') }]).slice(0, -20), ZipDamaged],
  ])('with %s is refused', (_, zip, error) => {
    expect(() => read(zip)).toThrow(error);
  });
  it('or damaged anywhere never throws anything else', () => {
    const zip = zipSync({ a: bytes('some words, some words'), b: new Uint8Array(300) });
    fc.assert(
      fc.property(fc.nat(zip.length - 1), fc.nat(255), (at, byte) => {
        const damaged = zip.slice();
        damaged[at] = byte;
        try {
          read(damaged);
        } catch (error) {
          expect(error instanceof ZipDamaged || error instanceof ZipTooLarge).toBe(true);
        }
      }),
      { numRuns: 300 },
    );
  });
});
