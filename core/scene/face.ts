import { type Box, unionOf } from '../geometry/box';
import { boxAround, multiply, ontoBox } from '../geometry/matrix';
import { boxPath, transformPath } from '../geometry/path';
import type { Code, Element, Picture, Shape } from '../job/schema';
import { pictureMatrix } from '../picture/place';
import { plates } from './colour';
import type { Device } from './device';
import { drawFill } from './fill';
import { imageOf } from './images';
import { outlineOf } from './outline';
import { copiesOf, copyBoxes } from './repeat';
import { drawRule } from './rule';
import { drawShadow } from './shadow';
import type { SceneSources } from './sources';
import { drawSpread, type PlatedFace } from './spread';
import { isTurned, placedDevice, thinnedDevice, turnOf } from './turn';
import { drawWords, type TypeSources, wordsFrame } from './words';

const frameOf = ({ x, y, width, height }: Box): Box => ({ x, y, width, height });

/** The frame of any element on its face, in points; of a repeat, that of its first. */
export const elementFrame = (element: Element, sources: TypeSources): Box =>
  element.kind === 'words' ? wordsFrame(element, sources) : frameOf(element);

/** The upright box around any element's frame as it is turned, copies and all, in points: what it is aligned by. */
export function elementBox(element: Element, sources: TypeSources): Box {
  const frame = elementFrame(element, sources);
  const own = element.turn ? boxAround(frame, turnOf(element, frame)) : frame;
  return element.repeat ? unionOf(copyBoxes(element, own))! : own;
}

function drawPicture(picture: Picture, sources: SceneSources, device: Device): void {
  const image = imageOf(picture, sources);
  if (!image) return;
  const frame = frameOf(picture);
  const { fade } = picture;
  if (fade)
    device.beginFade({
      kind: fade.kind,
      matrix: multiply(ontoBox(frame), fade.place),
      stops: [
        { at: 0, amount: 1 },
        { at: 1, amount: 0 },
      ],
    });
  device.beginClip(outlineOf(picture));
  const place = pictureMatrix(picture, image.width, image.height);
  const page = sources.assets[picture.asset]?.page;
  // Where a page has nothing it lays nothing: its ink ends before its frame does.
  if (page)
    device.beginClip(
      transformPath(boxPath(page.inked), multiply(place, [1 / page.width, 0, 0, 1 / page.height, 0, 0])),
    );
  device.drawImage(image, place);
  if (page) device.endClip();
  device.endClip();
  if (fade) device.endFade();
}

function drawShape(shape: Shape, sources: SceneSources, device: Device): void {
  const outline = outlineOf(shape);
  drawFill(shape.paint, outline, frameOf(shape), sources, device);
  if (shape.stroke) device.strokePath(outline, shape.stroke, plates(shape.stroke.paint, sources));
}

function drawCode(code: Code, sources: SceneSources, device: Device): void {
  device.fillPath(outlineOf(code), plates(code.paint, sources));
}

function drawPlain(element: Element, sources: SceneSources, device: Device): void {
  if (element.kind === 'words') drawWords(element, sources, device);
  else if (element.kind === 'picture') drawPicture(element, sources, device);
  else if (element.kind === 'code') drawCode(element, sources, device);
  else if (element.kind === 'rule') drawRule(element, sources, device);
  else drawShape(element, sources, device);
}

/** An element as it is turned, once. */
function drawTurned(element: Element, sources: SceneSources, device: Device): void {
  const on = isTurned(element)
    ? placedDevice(device, {
        matrix: turnOf(element, elementFrame(element, sources)),
        angle: element.turn ?? 0,
        scale: 1,
      })
    : device;
  drawPlain(element, sources, on);
}

/** An element and its shadow, once; the light comes from the same side however it is turned. */
function drawOnce(element: Element, sources: SceneSources, device: Device): void {
  if (element.shadow)
    drawShadow(element.shadow, (on) => drawTurned(element, sources, on), plates(element.shadow, sources), device);
  drawTurned(element, sources, device);
}

/** One element as drawing calls, with its copies. */
export function drawElement(element: Element, sources: SceneSources, device: Device): void {
  const { repeat, opacity = 1 } = element;
  const overprints = element.overprint === 'overprints';
  device.beginElement(element.id);
  if (overprints) device.beginOverprint();
  if (opacity < 1) device.beginGroup(opacity);
  if (!repeat) drawOnce(element, sources, device);
  else {
    const { repeat: _all, ...first } = element;
    for (const copy of copiesOf(element, elementBox(first as Element, sources))) {
      const there = placedDevice(device, copy);
      drawOnce(element, sources, copy.tint < 1 ? thinnedDevice(there, copy.tint) : there);
    }
  }
  if (opacity < 1) device.endGroup();
  if (overprints) device.endOverprint();
  device.endElement();
}

/** A whole face as `shownFaces` has it, from the bottom of its stack to the top, and what is spread on it. */
export function drawFace(face: PlatedFace, sources: SceneSources, device: Device): void {
  for (const element of face.elements) drawElement(element, sources, device);
  drawSpread(face, device);
}
