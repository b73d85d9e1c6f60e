import { boxBetween } from '../../../geometry/box';
import { multiply } from '../../../geometry/matrix';
import { boxPath, transformPath } from '../../../geometry/path';
import type { Coverage } from '../../../scene/colour';
import type { Light, MayBlend } from '../../../scene/device';
import { operationsOf } from '../parsed/file';
import { contentsOf } from '../parsed/filters';
import { type Dict, Stream, type Value } from '../parsed/syntax';
import { dictOf, nameOf, numbersOf } from '../parsed/view';
import { functionOf } from './functions';
import { goesOn } from './shade-reach';
import { runOf } from './shades';
import { spaceOf } from './spaces';
import { type Drawing, firstState, matrixOf, type Running } from './state';

/** More masks than this on a page are not read: a budget against files that never end. */
const MOST_MASKS = 300;

/** What a soft mask shows (ISO 32000-1, 11.6.5.3). */
export function maskOf(running: Running, value: Value | undefined): Coverage | Light | undefined {
  const { drawing } = running;
  const { view } = drawing;
  const mask = dictOf(view.file, value);
  const form = view.file.get(mask?.get('G'));
  if (!mask || !(form instanceof Stream)) return undefined;
  const found = gradientOf(running, form) ?? lightOf(running, mask, form);
  if (!found) drawing.hear.unread?.('a soft mask');
  return found;
}

/** One gradient across the page, as this app writes its fades. */
function gradientOf({ drawing, state }: Running, form: Stream): Coverage | undefined {
  const { view } = drawing;
  const resources = dictOf(view.file, form.dict.get('Resources'));
  const patterns = [...(dictOf(view.file, resources?.get('Pattern'))?.values() ?? [])];
  const pattern = patterns.length === 1 ? dictOf(view.file, patterns[0]) : undefined;
  const shading = dictOf(view.file, pattern?.get('Shading'));
  const there = multiply(
    multiply(state.ctm, matrixOf(view, form.dict.get('Matrix'))),
    matrixOf(view, pattern?.get('Matrix')),
  );
  // A coverage has no ends: one that does is laid as a light.
  const run = shading && goesOn(view, shading).every((on) => on) ? runOf(drawing, shading, there) : undefined;
  return run && { ...run, stops: run.stops.map(({ at, values }) => ({ at, amount: values[0] ?? 0 })) };
}

/** The light of a drawing, or how much it covers, where the device can lay one aside. */
function lightOf({ drawing, resources, state, deep }: Running, mask: Dict, form: Stream): Light | undefined {
  const { view, device } = drawing;
  const { file } = view;
  if (!device.blending) return undefined;
  const own = dictOf(file, form.dict.get('Resources')) ?? resources;
  const group = dictOf(file, form.dict.get('Group'));
  const space = spaceOf(view, group?.get('CS'), own);
  // Black where nothing is drawn, unless another ground is asked for.
  const given = numbersOf(view, mask.get('BC'));
  const ground = space && given.length > 0 ? drawing.inksOf(space, given) : { Black: 1 };
  const ctm = multiply(state.ctm, matrixOf(view, form.dict.get('Matrix')));
  const [x0, y0, x1, y1] = numbersOf(view, form.dict.get('BBox'));
  const content = operationsOf(contentsOf(form, file));
  const draw = (onto: MayBlend): void =>
    aside(drawing, onto, () => {
      if (y1 !== undefined)
        onto.beginClip(transformPath(boxPath(boxBetween({ x: x0!, y: y0! }, { x: x1!, y: y1 })), ctm));
      drawing.run(content, own, { ...firstState(drawing), ctm, home: ctm }, deep + 1);
      if (y1 !== undefined) onto.endClip();
    });
  // The same mask is set again for each of many things; each costs as much as a page.
  const key = [...ctm, nameOf(file, mask.get('S'))].join(' ');
  const { lastMask } = drawing;
  if (lastMask?.mask === mask && lastMask.key === key) return lastMask.light;
  if (++drawing.masks > MOST_MASKS) return undefined;
  const isAlpha = nameOf(file, mask.get('S')) === 'Alpha';
  const light = isAlpha ? device.blending.coverageOf(draw) : device.blending.lightOf(ground, draw);
  const transfer = functionOf(view, mask.get('TR'));
  if (transfer) for (const [i, share] of light.cells.entries()) light.cells[i] = clamped(transfer(share)[0] ?? share);
  drawing.lastMask = { mask, key, light };
  return light;
}

const clamped = (share: number): number => Math.max(0, Math.min(1, share));

/** Draws on another device; nobody hears of what makes a mask, but of what could not be read. */
function aside(drawing: Drawing, device: MayBlend, draw: () => void): void {
  const { device: before, hear } = drawing;
  drawing.device = device;
  drawing.hear = { ...(hear.unread ? { unread: (what: string) => hear.unread!(`${what}, in a soft mask`) } : {}) };
  try {
    draw();
  } finally {
    drawing.device = before;
    drawing.hear = hear;
  }
}
