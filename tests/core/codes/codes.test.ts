import { describe, expect, it } from 'vitest';
import { vcard } from '../../../core/codes/contact';
import { SYMBOLOGY_IDS } from '../../../core/codes/symbologies';
import { CodeError, moduleWidth, symbolOf, symbolPath } from '../../../core/codes/symbols';
import { pathBounds } from '../../../core/geometry/path';
import { setCode } from '../../../core/job/edits/elements';
import { findElement } from '../../../core/job/find';
import { makeCode } from '../../../core/job/make';
import { cardWith, mm } from '../../kit';

describe('codes', () => {
  it('have their quiet zone inside their frame', () => {
    const frame = { x: 0, y: 0, width: 370, height: 370 };
    const { columns, rows } = symbolOf('qrcode', 'https://hollinandfen.example');
    // Version 3 is 29 modules wide; 4 on each side are quiet.
    expect([columns, rows]).toEqual([37, 37]);
    expect(pathBounds(symbolPath('qrcode', 'https://hollinandfen.example', frame))).toEqual({
      x: 40,
      y: 40,
      width: 290,
      height: 290,
    });
    expect(moduleWidth('qrcode', 'https://hollinandfen.example', frame)).toBe(10);
  });
  it('EAN-13 is 95 modules and 18 of quiet zone; its check digit is found or checked', () => {
    expect(symbolOf('ean13', '9780201379624').columns).toBe(95 + 18);
    expect(symbolOf('ean13', '978020137962')).toEqual(symbolOf('ean13', '9780201379624'));
    expect(() => symbolOf('ean13', '9780201379625')).toThrow(CodeError);
  });
  it.each(SYMBOLOGY_IDS)('%s refuses what it cannot hold, in words', (symbology) => {
    const text = symbology === 'code128' ? 'Überraschung €' : 'x'.repeat(2990);
    expect(() => symbolOf(symbology, text)).toThrow(/cannot hold that/);
  });
  it('square ones stay square in any frame', () => {
    const bounds = pathBounds(symbolPath('qrcode', 'tea', { x: 0, y: 0, width: 200, height: 90 }))!;
    expect(bounds.width).toBeCloseTo(bounds.height, 9);
    expect(bounds.x + bounds.width / 2).toBeCloseTo(100, 9);
  });
  it('are not changed to what cannot be made', () => {
    const job = cardWith([makeCode({ id: 'c', text: 'tea', x: 0, y: 0, width: mm(20), height: mm(20) })]);
    expect(() => setCode(job, 'c', { symbology: 'ean13' })).toThrow(CodeError);
    expect(findElement(setCode(job, 'c', { text: 'cake' }), 'c')!.element).toMatchObject({ text: 'cake' });
  });
});

describe('a contact card (RFC 6350)', () => {
  it('has what was filled in, escaped, and nothing else', () => {
    const card = vcard({
      name: 'Iris Calloway',
      firm: 'Hollin & Fen, tea; plants',
      title: '',
      phone: '01632 960 118',
      mail: 'iris@hollinandfen.example',
      web: '',
    });
    expect(card.split('\r\n')).toEqual([
      'BEGIN:VCARD',
      'VERSION:4.0',
      'FN:Iris Calloway',
      'N:Calloway;Iris;;;',
      'ORG:Hollin & Fen\\, tea\\; plants',
      'TEL;VALUE=uri:tel:01632960118',
      'EMAIL:iris@hollinandfen.example',
      'END:VCARD',
    ]);
  });
});
