import { platesOf } from '../colour/ink';
import type { Box } from '../geometry/box';
import { boxAround, ontoBox } from '../geometry/matrix';
import { boxPath } from '../geometry/path';
import { inkOf } from '../job/find';
import type { Code, Element, Face, Picture, Rule, Shape } from '../job/schema';
import { coverFrame } from '../picture/place';
import type { Device } from './device';
import { outlineOf } from './outline';
import type { SceneSources } from './sources';
import { isTurned, turnedDevice, turnOf } from './turn';
import { drawWords, type TypeSources, wordsFrame } from './words';

const frameOf = ({ x, y, width, height }: Box): Box => ({ x, y, width, height });

/** The frame of any element on its face, in points. */
export const elementFrame = (element: Element, sources: TypeSources): Box =>
  element.kind === 'words' ? wordsFrame(element, sources) : frameOf(element);

/** The upright box around any element's frame as it is turned, in points: what it is aligned and caught by. */
export function elementBox(element: Element, sources: TypeSources): Box {
  const frame = elementFrame(element, sources);
  return element.turn ? boxAround(frame, turnOf(element, frame)) : frame;
}

function drawPicture(picture: Picture, { assets }: SceneSources, device: Device): void {
  const asset = assets[picture.asset];
  if (!asset) return;
  const frame = frameOf(picture);
  device.beginClip(boxPath(frame));
  device.drawImage(
    { asset: picture.asset, width: asset.width, height: asset.height },
    ontoBox(coverFrame(frame, asset.width, asset.height)),
  );
  device.endClip();
}

function drawFilled(element: Shape | Rule | Code, { inks }: SceneSources, device: Device): void {
  device.fillPath(outlineOf(element), platesOf(inkOf(inks, element.paint.ink), element.paint.tint));
}

/** One element as drawing calls. */
export function drawElement(element: Element, sources: SceneSources, device: Device): void {
  const on = isTurned(element)
    ? turnedDevice(device, turnOf(element, elementFrame(element, sources)), element.turn ?? 0)
    : device;
  on.beginElement(element.id);
  if (element.kind === 'words') drawWords(element, sources, on);
  else if (element.kind === 'picture') drawPicture(element, sources, on);
  else drawFilled(element, sources, on);
  on.endElement();
}

/** A whole face as `shownFaces` has it, from the bottom of its stack to the top. */
export function drawFace(face: Face, sources: SceneSources, device: Device): void {
  for (const element of face.elements) drawElement(element, sources, device);
}
