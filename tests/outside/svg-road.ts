import type { Cmyk } from '../../core/colour/ink';
import { svgDevice } from '../../core/devices/svg';
import { elementsOfArt } from '../../core/files/art-in/elements';
import { svgText } from '../../core/files/svg-file';
import { readSvg } from '../../core/files/svg-in/read';
import { makeJob } from '../../core/job/make';
import type { Element, Face, Job } from '../../core/job/schema';
import { drawFace } from '../../core/scene/face';
import { sourcesOf } from '../../core/scene/sources';
import { kit } from '../kit';

/**
 * A drawing taken in as elements and drawn by our own road. Colours go through inks that a screen shows as they were asked
 * for, so that only the drawing is compared.
 */
export const bytes = (svg: string): Uint8Array => new TextEncoder().encode(svg);
const inkOf = (hex: string): Cmyk =>
  [...[1, 3, 5].map((i) => 1 - Number.parseInt(hex.slice(i, i + 2), 16) / 255), 0] as Cmyk;
const screen = ([c, m, y]: Cmyk): [number, number, number] =>
  [c, m, y].map((a) => Math.round(255 * (1 - a))) as [number, number, number];

export function ourRoad(svg: string): { text: string; width: number; height: number; notes: readonly string[] } {
  const art = readSvg(bytes(svg), kit.fonts);
  const colours = Object.keys(art.inks);
  const job: Job = {
    ...makeJob('job', 'Drawing', '2026-01-01T00:00:00.000Z'),
    inks: colours.map((hex) => ({ id: `i${hex.slice(1)}`, name: hex, kind: 'process', cmyk: inkOf(hex) })),
  };
  let n = 0;
  const { elements } = elementsOfArt(art, {
    paints: new Map(colours.map((hex) => [hex, { ink: `i${hex.slice(1)}`, tint: 1 }])),
    at: { x: 0, y: 0, width: art.width, height: art.height },
    type: { styles: [], fonts: kit.fonts },
    newId: () => `e${n++}`,
    name: 'Drawing',
  });
  const face: Face = { id: 'f', name: 'Front', elements: elements as Element[] };
  const page = { x: 0, y: 0, width: art.width, height: art.height };
  const device = svgDevice({ inks: job.inks, screen });
  drawFace(face, sourcesOf(job, kit.fonts), device);
  return { text: svgText(device.elements, page, new Map()), ...page, notes: art.notes };
}
