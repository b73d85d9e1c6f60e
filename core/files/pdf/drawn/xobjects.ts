import type { Plates } from '../../../colour/ink';
import { boxBetween } from '../../../geometry/box';
import { multiply } from '../../../geometry/matrix';
import { boxPath, transformPath } from '../../../geometry/path';
import { isShade } from '../../../scene/colour';
import { operationsOf } from '../parsed/file';
import { contentsOf } from '../parsed/filters';
import { PLACED } from '../parsed/placed';
import type { Dict, Stream } from '../parsed/syntax';
import { dictOf, numbersOf } from '../parsed/view';
import { hasBlends } from './graphics-state';
import { gray, type ImageRead, imageOf } from './images';
import { asWhole, painted } from './paint';
import { type Drawing, matrixOf, type Running, type State } from './state';

/** Pictures (ISO 32000-1, 8.9) and contents that are drawn within another (8.10). */

const NOT_READ = 'a picture in a packing that is not read';

function imageAt(drawing: Drawing, stream: Stream, resources: Dict): { key: string; read: ImageRead } {
  const { images, pictures, view } = drawing;
  const found = images.get(stream) ?? {
    key: `picture ${pictures.size + 1}`,
    read: imageOf(view, stream, resources, drawing.screenInks),
  };
  images.set(stream, found);
  if (found.read.laid) pictures.set(found.key, found.read.laid);
  return found;
}

/** A shape in the colour that is chosen. */
function drawStencil(running: Running, stream: Stream): void {
  const { drawing, state, resources } = running;
  const place = multiply(state.ctm, [1, 0, 0, -1, 0, 1]);
  const { colour } = state.paint.fill;
  const { read, stencil } = drawing.stencils.get(stream) ?? {
    read: { ...imageOf(drawing.view, stream, resources), bits: 1, space: 'stencil' },
    stencil: gray(drawing.view, stream),
  };
  drawing.stencils.set(stream, { read, stencil });
  drawing.hear.picture?.({ read, stream, place, partly: true, lettering: drawing.lettering > 0 });
  if (!stencil) drawing.hear.unread?.(NOT_READ);
  else if (colour && isShade(colour)) drawing.hear.unread?.('a stencil of colour that runs');
  else if (colour) painted(running, 'fill', () => drawing.device.drawTone(stencil, place, colour));
}

export function drawImage(running: Running, stream: Stream): void {
  const { drawing, state, resources } = running;
  const { device, hear } = drawing;
  if (drawing.view.file.get(stream.dict.get('ImageMask')) === true) {
    drawStencil(running, stream);
    return;
  }
  const place = multiply(state.ctm, [1, 0, 0, -1, 0, 1]);
  const { key, read } = imageAt(drawing, stream, resources);
  const { laid, stencil } = read;
  const partly = stencil !== undefined || stream.dict.has('Mask');
  hear.picture?.({ read, stream, place, partly, lettering: drawing.lettering > 0 });
  if (stream.dict.has('SMask')) hear.soft?.('soft mask');
  if (!laid) {
    hear.unread?.(NOT_READ);
    return;
  }
  if (stencil) {
    const colour: Plates = Object.fromEntries(laid.plates.map((plate, k) => [plate, laid.amounts[k]! / 255]));
    painted(running, 'fill', () => device.drawTone(stencil, place, colour));
    return;
  }
  const image = { asset: key, width: laid.width, height: laid.height, separation: {} };
  painted(running, 'fill', () => device.drawImage(image, place));
}

export function drawForm(running: Running, form: Stream): void {
  const { drawing, state, resources, deep } = running;
  const { view, device } = drawing;
  const own = dictOf(view.file, form.dict.get('Resources')) ?? resources;
  const ctm = multiply(state.ctm, matrixOf(view, form.dict.get('Matrix')));
  const [x0, y0, x1, y1] = numbersOf(view, form.dict.get('BBox'));
  const content = operationsOf(contentsOf(form, view.file));
  const draw = (from: State): void => {
    const box = y1 === undefined ? undefined : boxBetween({ x: x0!, y: y0! }, { x: x1!, y: y1 });
    if (box) device.beginClip(transformPath(boxPath(box), ctm));
    drawing.run(content, own, from, deep + 1);
    if (box) device.endClip();
  };
  const inside = { ...state, ctm, home: ctm, clips: 0 };
  if (!form.dict.has('Group')) {
    draw(inside);
    return;
  }
  if (form.dict.has(PLACED) && drawing.hear.placed) {
    const { hear } = drawing;
    drawing.hear.placed(multiply(state.ctm, [1, 0, 0, -1, 0, 1]));
    drawing.hear = { ...(hear.unread ? { unread: hear.unread } : {}), ...(hear.soft ? { soft: hear.soft } : {}) };
    asWhole(device, state, state.opacity.fill, () => {
      if (device.blending) device.blending.beginApart();
      else device.beginGroup(1);
      draw({ ...inside, opacity: { fill: 1, stroke: 1 }, mask: undefined, blend: undefined });
      device.endGroup();
    });
    drawing.hear = hear;
    return;
  }
  const plain: State = { ...inside, opacity: { fill: 1, stroke: 1 }, mask: undefined, blend: undefined };
  const group = dictOf(view.file, form.dict.get('Group'));
  // What blends in a group by itself does not see what lies below the group.
  const apart = device.blending !== undefined && view.file.get(group?.get('I')) === true && hasBlends(view, own);
  asWhole(device, state, state.opacity.fill, () => {
    if (apart) device.blending?.beginApart();
    draw(plain);
    if (apart) device.endGroup();
  });
}
