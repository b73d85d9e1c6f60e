import type { Matrix } from '../geometry/matrix';
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
}

/** A device that passes on all that it is told, and lists the letters and pictures. */
export function listedDevice(device: Device, list: DrawnList): Device {
  let soft = 0;
  const seeThrough = (): boolean => soft > 0;
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
    showGlyphs: (run, colour) => {
      list.runs.push({ drawn: run, seeThrough: seeThrough() });
      device.showGlyphs(run, colour);
    },
    drawImage: (image, place) => {
      list.pictures.push({ drawn: { image, place }, seeThrough: seeThrough() });
      device.drawImage(image, place);
    },
  };
}
