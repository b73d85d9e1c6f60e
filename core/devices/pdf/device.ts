import type { Box } from '../../geometry/box';
import type { Matrix } from '../../geometry/matrix';
import { boxPath } from '../../geometry/path';
import { isShade } from '../../scene/colour';
import { imageKey } from '../../scene/device';
import { runOutline } from '../../scene/run-outline';
import type { PatchDevice } from '../flat/flat';
import { colourOp, shadeKey } from './colours';
import { numbers, pdfNumber } from './numbers';
import { across, addForm, begin, blankPage, end, named, type PdfPage, stateKey, up } from './page';
import { gridFill, pathOps } from './paths';
import type { PdfUses } from './uses';
import { telling, textOps } from './words';

const CAPS = { flat: 0, round: 1, square: 2 } as const;
const JOINS = { mitre: 0, round: 1, bevel: 2 } as const;

/** What draws a resource in its place. A picture's own space grows upwards from its foot. */
const imageOps = (page: PdfPage, key: string, [a, b, c, d, e, f]: Matrix): string[] => [
  'q',
  `${numbers(a, -b, -c, d, across(page, c + e), up(page, d + f))} cm`,
  `${named(page, key)} Do`,
  'Q',
];

/**
 * A device that writes one page's content stream (ISO 32000-1, 8 and 9). `media` is the sheet in the piece's
 * coordinates; the stream's origin is its lower left corner. Words are text, or the outlines of their letters.
 */
export function pdfDevice(
  media: Box,
  uses: PdfUses,
  words: PdfPage['words'] = 'text',
): PatchDevice & { content(): string; names(): ReadonlySet<string> } {
  const page = blankPage(media, uses, words);
  return {
    content: () => `${page.out.join('\n')}\n`,
    names: () => page.names,
    beginElement() {},
    endElement() {},
    beginWords: (text) => {
      if (page.words === 'outlines') return;
      page.isTold = true;
      page.out.push(telling(text));
    },
    endWords: () => {
      if (page.isTold) page.out.push('EMC');
      page.isTold = false;
    },
    beginClip: (path) => {
      page.out.push('q', pathOps(page, path), 'W n');
    },
    beginGlyphClip: (runs) => {
      page.out.push('q');
      if (page.words === 'outlines') page.out.push(runs.map((run) => pathOps(page, runOutline(run))).join('\n'), 'W n');
      else page.out.push('BT', '7 Tr', ...runs.flatMap((run) => textOps(page, run)), 'ET');
    },
    endClip: () => {
      page.out.push('Q');
    },
    beginGroup: (opacity) => {
      page.opacities.push(opacity);
      begin(page);
    },
    endGroup: () => end(page, { opacity: page.opacities.pop()! }),
    beginFade: (coverage) => {
      const key = shadeKey(page, coverage);
      const all = pathOps(page, boxPath(page.media));
      page.masks.push(addForm(page, `/Pattern cs /${key} scn\n${all}\nf\n`, new Set([key]), true));
      begin(page);
    },
    endFade: () => end(page, { mask: page.masks.pop()! }),
    beginOverprint: () => {
      page.overprints++;
      page.out.push('q', `${named(page, stateKey(page, { overprint: true }))} gs`);
    },
    endOverprint: () => {
      page.overprints--;
      page.out.push('Q');
    },
    fillPath: (path, given) => {
      const grid = isShade(given) ? undefined : gridFill(page, path);
      page.out.push(colourOp(page, given, false), ...(grid ? [grid] : [pathOps(page, path), 'f']));
    },
    strokePath: (path, pen, given) => {
      const { weight, dash, cap = 'flat', join = 'mitre' } = pen;
      const style = [
        `${pdfNumber(weight)} w`,
        cap === 'flat' ? '' : `${CAPS[cap]} J`,
        join === 'mitre' ? '4 M' : `${JOINS[join]} j`,
        dash ? `[${numbers(...dash)}] 0 d` : '',
      ];
      page.out.push('q', colourOp(page, given, true), style.filter(Boolean).join(' '), pathOps(page, path), 'S', 'Q');
    },
    showGlyphs: (run, given) => {
      if (page.words === 'outlines') page.out.push(colourOp(page, given, false), pathOps(page, runOutline(run)), 'f');
      else page.out.push(colourOp(page, given, false), 'BT', ...textOps(page, run), 'ET');
    },
    drawImage: (image, place) => {
      const ppi = (72 * image.width) / Math.hypot(place[0], place[1]);
      const found = page.uses.images.get(imageKey(image)) ?? { key: `Im${page.uses.images.size + 1}`, image, ppi };
      page.uses.images.set(imageKey(image), { ...found, ppi: Math.min(found.ppi, ppi) });
      page.out.push(...imageOps(page, found.key, place));
    },
    drawPatch: (patch, place) => {
      const key = `B${page.uses.patches.length + 1}`;
      page.uses.patches.push({ key, patch });
      // A patch has all that the press gets there: nothing below it shows through.
      const solid = page.overprints > 0 ? [`${named(page, stateKey(page, { overprint: false }))} gs`] : [];
      const [save, ...rest] = imageOps(page, key, place);
      page.out.push(save!, ...solid, ...rest);
    },
    drawTone: (tone, place, given) => {
      const colours = page.uses.tones.get(tone) ?? [];
      page.uses.tones.set(tone, colours);
      const overprints = page.overprints > 0;
      const written = JSON.stringify(given);
      let found = colours.find((each) => each.overprints === overprints && JSON.stringify(each.colour) === written);
      if (!found) {
        const count = [...page.uses.tones.values()].reduce((sum, each) => sum + each.length, 0);
        found = { key: `T${count + 1}`, colour: given, overprints };
        colours.push(found);
      }
      page.out.push(...imageOps(page, found.key, place));
    },
  };
}
