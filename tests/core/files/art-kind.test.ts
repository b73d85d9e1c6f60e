import { gzipSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import { artKind } from '../../../core/files/art-in/kind';
import { readSvg, SvgError } from '../../../core/files/svg-in/read';
import { probePicture } from '../../../core/picture/probe';
import { kit } from '../../kit';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const wide = (text: string): Uint8Array => new Uint8Array(Buffer.from(`\uFEFF${text}`, 'utf16le'));
const SQUARE = '<svg xmlns="http://www.w3.org/2000/svg" width="10" height="10"><path d="M1 1h8v8h-8z"/></svg>';

describe('what line art a file holds, whatever it is called', () => {
  it.each([
    ['a PDF', bytes('%PDF-1.7\n'), 'pdf'],
    ['a PDF that begins late', bytes(`${'x'.repeat(600)}\n%PDF-1.4\n`), 'pdf'],
    ['a drawing', bytes(SQUARE), 'svg'],
    [
      'a drawing after a byte order mark, a remark and a document type',
      bytes(`\uFEFF<?xml version="1.0"?><!-- made -->\n<!DOCTYPE svg>${SQUARE}`),
      'svg',
    ],
    ['a drawing with a prefix', bytes('<s:svg xmlns:s="http://www.w3.org/2000/svg"/>'), 'svg'],
    ['a drawing of two bytes a letter', wide(SQUARE), 'svg'],
    ['a packed drawing', gzipSync(SQUARE), 'svg'],
    ['a web page with a drawing in it', bytes(`<!DOCTYPE html><html><body>${SQUARE}</body></html>`), undefined],
    ['PostScript', bytes('%!PS-Adobe-3.0 EPSF-3.0\n'), undefined],
    ['a list', bytes('name;town\n<svg>'), undefined],
    ['nothing', new Uint8Array(), undefined],
  ])('%s', (_, file, kind) => expect(artKind(file)).toBe(kind));

  it('PostScript is told how it keeps its lines, with a picture before it or not', () => {
    for (const file of [bytes('%!PS-Adobe-3.0 EPSF-3.0\n'), new Uint8Array([0xc5, 0xd0, 0xd3, 0xc6, 30, 0, 0, 0])])
      expect(() => probePicture(file)).toThrow(
        'This is PostScript (EPS). Open it where it was made, or ask who made it, and save it as PDF or SVG, which keep its lines.',
      );
  });
});

describe('a packed drawing', () => {
  const drawn = (file: Uint8Array) => readSvg(file, kit.fonts).items;
  it('is the drawing in it, whatever its head says', () => {
    const plain = drawn(bytes(SQUARE));
    expect(plain).toHaveLength(1);
    expect(drawn(gzipSync(SQUARE))).toEqual(plain);
    // A name, a remark, more and a sum of the head (RFC 1952, 2.3.1).
    const packed = gzipSync(SQUARE);
    const said = [
      0x1f,
      0x8b,
      8,
      2 | 4 | 8 | 16,
      0,
      0,
      0,
      0,
      0,
      3,
      2,
      0,
      7,
      7,
      ...bytes('a.svg'),
      0,
      ...bytes('hello'),
      0,
      1,
      2,
    ];
    expect(drawn(Uint8Array.from([...said, ...packed.subarray(10)]))).toEqual(plain);
  });

  it('is refused in words where it is damaged, or holds far more than it says', () => {
    expect(() => drawn(gzipSync(SQUARE).subarray(0, 40))).toThrow(SvgError);
    expect(() => drawn(Uint8Array.from([0x1f, 0x8b, 9, 0]))).toThrow(/packed, and damaged/);
    expect(() => drawn(gzipSync(`<svg><!--${' '.repeat(6e6)}--></svg>`))).toThrow(
      /Unpacked, the drawing has more than 5 MB/,
    );
  });
});
