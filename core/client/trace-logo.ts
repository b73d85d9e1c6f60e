import { converter } from 'culori';
import tracer from 'imagetracerjs';
import { clustersOf } from '../colour/clusters';
import type { Art, ArtItem } from '../files/art-in/art';
import { readSvg } from '../files/svg-in/read';
import type { Pixels } from '../picture/decode';
import { PictureError } from '../picture/limits';
import type { FontBook } from '../type/font';

/** A bitmap as drawn areas in a few flat colours: for logos that exist in pixels only. */

/** Traced at this many pixels along the longer side: more only follows the noise. */
const MOST_SIDE = 1200;
/** Looked at for its colours. */
const SAMPLES = 6000;
/** As light as this, CIE L*, and as grey as this, chroma, is the paper. */
const PAPER = { light: 88, chroma: 12 };

const toLab = converter('lab');

/** Red, green and blue over white, smaller where it is large; each pixel is the mean of those it stands for. */
function onWhite({ width, height, space, colour, alpha }: Pixels): {
  width: number;
  height: number;
  data: Uint8ClampedArray;
} {
  if (space === 'CMYK')
    throw new PictureError(
      'This picture is in CMYK. Save it as PNG or RGB JPEG to trace it, or add the logo as SVG or PDF.',
    );
  const by = Math.max(1, Math.ceil(Math.max(width, height) / MOST_SIDE));
  const [w, h] = [Math.max(1, Math.floor(width / by)), Math.max(1, Math.floor(height / by))];
  const channels = space === 'GRAY' ? 1 : 3;
  const data = new Uint8ClampedArray(w * h * 4);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const sum = [0, 0, 0];
      for (let dy = 0; dy < by; dy++)
        for (let dx = 0; dx < by; dx++) {
          const from = (y * by + dy) * width + x * by + dx;
          const cover = alpha ? alpha[from]! / 255 : 1;
          for (let c = 0; c < 3; c++)
            sum[c]! += 255 + (colour[from * channels + (channels === 1 ? 0 : c)]! - 255) * cover;
        }
      const to = (y * w + x) * 4;
      for (let c = 0; c < 3; c++) data[to + c] = sum[c]! / (by * by);
      data[to + 3] = 255;
    }
  return { width: w, height: h, data };
}

/** The colours that a logo is printed in, the commonest first. */
function inksOf({ width, height, data }: ReturnType<typeof onWhite>, most: number): [number, number, number][] {
  const step = Math.max(1, Math.floor((width * height) / SAMPLES));
  const labs: number[] = [];
  const from: number[] = [];
  for (let i = 0; i < width * height; i += step) {
    const [r, g, b] = [data[i * 4]!, data[i * 4 + 1]!, data[i * 4 + 2]!];
    const { l, a, b: yellow } = toLab({ mode: 'rgb', r: r / 255, g: g / 255, b: b / 255 });
    if (l > PAPER.light && Math.hypot(a, yellow) < PAPER.chroma) continue;
    labs.push(l, a, yellow);
    from.push(i);
  }
  return clustersOf(Float32Array.from(labs), most)
    .slice(0, most)
    .map(({ sample }) => {
      const at = from[sample]! * 4;
      return [data[at]!, data[at + 1]!, data[at + 2]!];
    });
}

const isPaper = (key: string, { inks }: Art): boolean => {
  const ink = inks[key];
  return ink?.kind === 'screen' && ink.hex.toLowerCase() === '#ffffff';
};

/** Everything but what is paper: its holes are holes already. */
const withoutPaper = (items: readonly ArtItem[], art: Art): ArtItem[] =>
  items.flatMap((item): ArtItem[] => {
    if (item.kind === 'group') return [{ ...item, items: withoutPaper(item.items, art) }];
    if (item.kind !== 'area' || item.colour.kind !== 'flat') return item.kind === 'line' ? [] : [item];
    return isPaper(item.colour.key, art) ? [] : [item];
  });

/** Traces a picture into at most `colours` flat colours. Throws with words for the user. */
export function traceArt(pixels: Pixels, colours: number, fonts: FontBook): Art {
  const image = onWhite(pixels);
  const inks = inksOf(image, colours);
  if (inks.length === 0) throw new PictureError('Nothing but paper is in this picture: there is no logo to trace.');
  const pal = [[255, 255, 255] as const, ...inks].map(([r, g, b]) => ({ r, g, b, a: 255 }));
  const svg = tracer.imagedataToSVG(image, {
    pal,
    strokewidth: 0,
    viewbox: true,
    pathomit: 6,
    roundcoords: 2,
    ltres: 0.7,
    qtres: 0.7,
  });
  const art = readSvg(new TextEncoder().encode(svg), fonts);
  return {
    ...art,
    items: withoutPaper(art.items, art),
    inks: Object.fromEntries(Object.entries(art.inks).filter(([key]) => !isPaper(key, art))),
  };
}
