import { headOf, type Pen } from './pen';
import type { Starter } from './starter';

/** Starters of envelopes. Made envelopes are printed without bleed, and post takes most of the front: the upper left is ours. */

const WHERE = '{firm.street}, {firm.town} {firm.postcode}\n{firm.web}';
const FACES = ['Front', 'Back'] as const;

/** The part of the front that stamp and address leave free. */
const corner = ({ inner, sheet }: Pen) => ({
  x: inner.x,
  y: inner.y,
  width: sheet.width * 0.45,
  height: Math.min(62, sheet.height * 0.29 - inner.y),
});

const plain: Starter = {
  id: 'envelope-quiet',
  kind: 'envelope',
  name: 'Quiet return',
  says: 'The return address in small type.',
  faces: FACES,
  draw(pen) {
    const box = corner(pen);
    pen.words(0, headOf(box, 16), '{firm.name}', { size: 10.5, role: 'heading', name: 'Company' });
    pen.words(0, { ...box, y: box.y + 15, height: 26 }, WHERE, { size: 8, name: 'Return address' });
  },
};

const marked: Starter = {
  id: 'envelope-marked',
  kind: 'envelope',
  name: 'Mark and name',
  says: 'The mark, and name and address beside it.',
  faces: FACES,
  draw(pen) {
    const box = corner(pen);
    const side = box.height * 0.85;
    pen.logo(0, { ...box, width: side, height: side }, 'full colour', { x: 0, y: 0 });
    const text = { ...box, x: box.x + side + 6, width: box.width - side - 6 };
    pen.words(0, headOf(text, 22), '{firm.name}', { size: 15, role: 'heading', name: 'Company' });
    pen.words(0, { ...text, y: text.y + 22, height: 26 }, WHERE, { size: 8, name: 'Return address' });
  },
};

const ruled: Starter = {
  id: 'envelope-ruled',
  kind: 'envelope',
  name: 'Under a rule',
  says: 'Name, a coloured rule, and the address under it.',
  faces: FACES,
  draw(pen) {
    const box = corner(pen);
    pen.words(0, headOf(box, 20), '{firm.name}', { size: 14, role: 'heading', name: 'Company' });
    pen.rule(0, 'Rule', { x: box.x, y: box.y + 22, length: box.width * 0.62 }, 1);
    pen.words(0, { ...box, y: box.y + 27, height: 26 }, WHERE, { size: 8, name: 'Return address' });
  },
};

const lively: Starter = {
  id: 'envelope-lively',
  kind: 'envelope',
  name: 'A dot of colour',
  says: 'A coloured dot with the mark in it, the name in the accent face.',
  faces: FACES,
  draw(pen) {
    const box = corner(pen);
    const side = box.height;
    const dot = { ...box, width: side, height: side };
    pen.area(0, 'Dot', dot, pen.paints.main, { form: { kind: 'ellipse' } });
    pen.logo(
      0,
      { x: dot.x + side * 0.22, y: dot.y + side * 0.22, width: side * 0.56, height: side * 0.56 },
      'reversed',
      { x: 0.5, y: 0.5 },
    );
    const text = { ...box, x: box.x + side + 8, width: box.width - side - 8 };
    pen.words(0, { ...text, y: text.y + 4, height: 22 }, '{firm.name}', { size: 15, role: 'accent', name: 'Company' });
    pen.words(0, { ...text, y: text.y + 26, height: 26 }, WHERE, { size: 8, name: 'Return address' });
  },
};

export const ENVELOPE_STARTERS: readonly Starter[] = [plain, marked, ruled, lively];
