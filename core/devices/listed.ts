import type { Matrix } from '../geometry/matrix';
import { type Colour, isShade } from '../scene/colour';
import type { Device, GlyphRun, ImageRef } from '../scene/device';

/** A run of letters or a picture that was drawn, and whether something lets it show only in part. */
export interface Listed<T> {
  drawn: T;
  seeThrough: boolean;
}

/** What was drawn on a device, in the order that it was. */
export interface DrawnList {
  runs: Listed<GlyphRun>[];
  pictures: Listed<{ image: ImageRef; place: Matrix }>[];
  /** The plates that any colour names. */
  plates: Set<string>;
}

export const emptyList = (): DrawnList => ({ runs: [], pictures: [], plates: new Set() });

/** A device that passes on all that it is told, and lists the letters, pictures and plates. */
export function listedDevice(device: Device, list: DrawnList): Device {
  let soft = 0;
  const seeThrough = (): boolean => soft > 0;
  const names = (colour: Colour): void => {
    for (const all of isShade(colour) ? colour.stops.map(({ plates }) => plates) : [colour])
      for (const plate of Object.keys(all)) list.plates.add(plate);
  };
  return {
    ...device,
    beginGlyphClip: (runs) => {
      for (const drawn of runs) list.runs.push({ drawn, seeThrough: seeThrough() });
      device.beginGlyphClip(runs);
    },
    beginGroup: (opacity) => {
      soft++;
      device.beginGroup(opacity);
    },
    endGroup: () => {
      soft--;
      device.endGroup();
    },
    beginFade: (coverage) => {
      soft++;
      device.beginFade(coverage);
    },
    endFade: () => {
      soft--;
      device.endFade();
    },
    fillPath: (path, colour) => {
      names(colour);
      device.fillPath(path, colour);
    },
    strokePath: (path, pen, colour) => {
      names(colour);
      device.strokePath(path, pen, colour);
    },
    showGlyphs: (run, colour) => {
      names(colour);
      list.runs.push({ drawn: run, seeThrough: seeThrough() });
      device.showGlyphs(run, colour);
    },
    drawTone: (tone, place, colour) => {
      names(colour);
      device.drawTone(tone, place, colour);
    },
    drawImage: (image, place) => {
      for (const ink of image.separation.inks ?? []) names(ink);
      list.pictures.push({ drawn: { image, place }, seeThrough: seeThrough() });
      device.drawImage(image, place);
    },
  };
}
