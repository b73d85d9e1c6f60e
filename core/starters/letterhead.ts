import { band, footOf, headOf, type Pen } from './pen';
import type { Starter } from './starter';

/** Starters of letterheads: the first sheet and those that follow. All but the first hint of colour stays out of the letter. */

const WHERE = '{firm.street}\n{firm.town} {firm.postcode}\n{firm.phone}\n{firm.web}';
const FOOT = '{firm.name}  ·  {firm.registration}';
const FACES = ['First sheet', 'Following sheets'] as const;

const small = 8.5;
const head = (pen: Pen): number => pen.of(0.08, 36, 46);

function following(pen: Pen): void {
  const { inner } = pen;
  pen.words(1, headOf(inner, 24), '{firm.name}', { size: 13, role: 'heading', name: 'Company' });
  pen.words(1, footOf(inner, 12), '{firm.web}', { size: 7.5, align: 'right', vertical: 'bottom', name: 'Web' });
}

const plain: Starter = {
  id: 'letterhead-quiet',
  kind: 'letterhead',
  name: 'Quiet head',
  says: 'Name left, where we are right, a line at the foot.',
  faces: FACES,
  draw(pen) {
    const { inner } = pen;
    pen.words(0, { ...headOf(inner, 32), width: inner.width * 0.6 }, '{firm.name}', {
      size: 22,
      role: 'heading',
      name: 'Company',
    });
    pen.words(0, { ...inner, y: inner.y + 30, width: inner.width * 0.6, height: 20 }, '{firm.line}', {
      size: 11,
      role: 'accent',
      paint: pen.paints.accent,
      name: 'Tagline',
    });
    pen.words(0, { ...headOf(inner, 56), x: inner.x + inner.width * 0.6, width: inner.width * 0.4 }, WHERE, {
      size: small,
      align: 'right',
      name: 'Where we are',
    });
    pen.words(0, footOf(inner, 12), FOOT, { size: 7.5, vertical: 'bottom', name: 'Foot' });
    following(pen);
  },
};

const centred: Starter = {
  id: 'letterhead-centred',
  kind: 'letterhead',
  name: 'Centred mark',
  says: 'The mark on the middle axis, everything else in one row at the foot.',
  faces: FACES,
  draw(pen) {
    const { inner, sheet } = pen;
    pen.logo(0, headOf(inner, head(pen)), 'full colour', { x: 0.5, y: 0 });
    pen.words(0, { ...inner, y: inner.y + head(pen) + 4, height: 22 }, '{firm.name}', {
      size: 15,
      role: 'heading',
      align: 'centre',
      name: 'Company',
    });
    pen.rule(0, 'Foot rule', { x: inner.x, y: sheet.height - inner.y - 30, length: inner.width }, 0.5);
    pen.words(
      0,
      footOf(inner, 26),
      '{firm.street}, {firm.town} {firm.postcode}  ·  {firm.phone}\n{firm.web}  ·  {firm.registration}',
      {
        size: 8,
        align: 'centre',
        vertical: 'bottom',
        name: 'Where we are',
      },
    );
    pen.logo(1, headOf(inner, head(pen) * 0.5), 'full colour', { x: 0.5, y: 0 });
  },
};

const banded: Starter = {
  id: 'letterhead-band',
  kind: 'letterhead',
  name: 'Edge of colour',
  says: 'A slim band down the left edge, mark and details to the right of it.',
  faces: FACES,
  draw(pen) {
    const { inner, paints } = pen;
    for (const face of [0, 1]) pen.area(face, 'Band', band(pen, 'left', pen.of(0.03, 12, 20)), paints.main);
    pen.logo(0, { ...headOf(inner, head(pen)), x: inner.x + 10 }, 'full colour', { x: 0, y: 0 });
    pen.words(
      0,
      { ...headOf(inner, 70), x: inner.x + inner.width * 0.55, width: inner.width * 0.45 },
      `{firm.name}\n${WHERE}`,
      {
        size: small,
        align: 'right',
        name: 'Where we are',
      },
    );
    pen.words(0, footOf({ ...inner, x: inner.x + 10, width: inner.width - 10 }, 12), FOOT, {
      size: 7.5,
      vertical: 'bottom',
      name: 'Foot',
    });
    pen.words(1, { ...headOf(inner, 24), x: inner.x + 10 }, '{firm.name}', {
      size: 13,
      role: 'heading',
      name: 'Company',
    });
  },
};

const lively: Starter = {
  id: 'letterhead-lively',
  kind: 'letterhead',
  name: 'Rising ground',
  says: 'A light ground rises at the foot with the details in it; a coloured head.',
  faces: FACES,
  draw(pen) {
    const { inner, paints, sheet } = pen;
    pen.area(0, 'Head', band(pen, 'top', 10), paints.accent);
    pen.area(0, 'Ground', band(pen, 'foot', 92), paints.light);
    pen.logo(0, { ...headOf(inner, head(pen)), y: inner.y + 6 }, 'full colour', { x: 0, y: 0 });
    const mark = head(pen) + 8;
    pen.words(0, { x: inner.x + mark, y: inner.y + 6, width: inner.width - mark, height: head(pen) }, '{firm.name}', {
      size: 22,
      role: 'heading',
      vertical: 'middle',
      name: 'Company',
    });
    const foot = { x: inner.x, y: sheet.height - 80, width: inner.width, height: 80 - inner.y };
    pen.words(
      0,
      { ...foot, height: Math.max(24, foot.height) },
      '{firm.street}, {firm.town} {firm.postcode}\n{firm.phone}  ·  {firm.mail}  ·  {firm.web}',
      {
        size: 8,
        vertical: 'top',
        name: 'Where we are',
      },
    );
    pen.area(1, 'Head', band(pen, 'top', 10), paints.accent);
    pen.words(1, { ...headOf(inner, 24), y: inner.y + 6 }, '{firm.name}', {
      size: 13,
      role: 'heading',
      name: 'Company',
    });
  },
};

export const LETTERHEADS: readonly Starter[] = [plain, centred, banded, lively];
