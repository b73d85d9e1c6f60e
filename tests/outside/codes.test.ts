import { join } from 'node:path';
import { afterAll, expect, it } from 'vitest';
import { vcard } from '../../core/codes/contact';
import type { Symbology } from '../../core/codes/symbologies';
import { makeCode } from '../../core/job/make';
import { cardWith, mm } from '../kit';
import { exportTo, folder, run, tidyUp } from './tools';

afterAll(tidyUp);

/** Codes in the exported file, rendered at 300 ppi, are read by zbarimg and say what was typed. */
const CODES: [name: string, symbology: Symbology, text: string, width: number, height: number, says: string][] = [
  [
    'a web address',
    'qrcode',
    'https://hollinandfen.example/open-day',
    20,
    20,
    'QR-Code:https://hollinandfen.example/open-day',
  ],
  [
    'a contact card',
    'qrcode',
    vcard({
      name: 'Iris Calloway',
      firm: 'Hollin & Fen',
      title: 'Head gardener',
      phone: '01632 960 118',
      mail: 'iris@hollinandfen.example',
      web: '',
    }),
    30,
    30,
    'TEL;VALUE=uri:tel:01632960118',
  ],
  ['umlauts and Greek', 'qrcode', 'Gärtnerei Αθήνα', 20, 20, 'QR-Code:Gärtnerei Αθήνα'],
  ['a stock number', 'code128', 'HF-2041', 40, 12, 'CODE-128:HF-2041'],
  ['a book', 'ean13', '9780201379624', 37.29, 20, 'EAN-13:9780201379624'],
];

it.each(CODES)('%s', async (name, symbology, text, width, height, says) => {
  const code = makeCode({ id: 'c', symbology, text, x: mm(10), y: mm(10), width: mm(width), height: mm(height) });
  const file = name.replaceAll(' ', '-');
  const pdf = await exportTo(`${file}.pdf`, { job: cardWith([code]), assets: {} }, { marks: false });
  run('pdftoppm', ['-r', '300', '-png', '-singlefile', pdf, file]);
  expect(run('zbarimg', ['--quiet', join(folder, `${file}.png`)])).toContain(says);
});
