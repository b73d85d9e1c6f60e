import { type Plates, platesInOrder, splitPlates } from '../../colour/ink';
import { bottom } from '../../geometry/box';
import { multiply } from '../../geometry/matrix';
import { type Colour, type Coverage, isShade, type Shade } from '../../scene/colour';
import { numbers, pdfNumber } from './numbers';
import { named, type PdfPage } from './page';
import { kept } from './uses';

/** The name of a pattern for colour that runs. Its matrix goes from the device's space to the page's. */
export function shadeKey({ uses, media, overprints: depth }: PdfPage, shade: Shade | Coverage): string {
  const there = { ...shade, matrix: multiply([1, 0, 0, -1, -media.x, bottom(media)], shade.matrix) };
  const overprints = depth > 0;
  return kept(uses.shades, JSON.stringify([there, overprints]), () => ({
    key: `P${uses.shades.size + 1}`,
    shade: there,
    overprints,
  })).key;
}

/** A spot ink with others, as one colour of several plates in the order that `platesInOrder` has. */
function mixture(page: PdfPage, plates: Plates, space: string, set: string): string {
  const { mixtures } = page.uses;
  const order = platesInOrder(Object.keys(plates));
  const { key } = kept(mixtures, order.join('\n'), () => ({ key: `N${mixtures.size + 1}`, plates }));
  return `${named(page, key)} ${space} ${numbers(...order.map((plate) => plates[plate] ?? 0))} ${set}`;
}

/** The operator that takes a colour: process inks as DeviceCMYK, one spot or All as a Separation, others as patterns. */
export function colourOp(page: PdfPage, colour: Colour, stroke: boolean): string {
  const [space, set] = stroke ? ['CS', 'SCN'] : ['cs', 'scn'];
  if (isShade(colour)) return `/Pattern ${space} ${named(page, shadeKey(page, colour))} ${set}`;
  const { cmyk, spots } = splitPlates(colour);
  if (spots.length === 0) return `${numbers(...cmyk)} ${stroke ? 'K' : 'k'}`;
  if (spots.length > 1 || cmyk.some((amount) => amount > 0)) return mixture(page, colour, space, set);
  const [name, amount] = spots[0]!;
  const { plates } = page.uses;
  const key = kept(plates, name, () => `S${plates.size + 1}`);
  return `${named(page, key)} ${space} ${pdfNumber(amount)} ${set}`;
}
