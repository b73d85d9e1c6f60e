import type { LaidPicture } from '../../../devices/plates/device';
import type { Point } from '../../../geometry/box';
import { boxAround, IDENTITY, type Matrix, multiply } from '../../../geometry/matrix';
import type { MayBlend } from '../../../scene/device';
import { mediaOf } from '../parsed/boxes';
import { SyntaxFault } from '../parsed/syntax';
import type { PdfView } from '../parsed/view';
import { hasBlends } from './graphics-state';
import type { Hear } from './hear';
import { OPERATORS } from './operators';
import { platesIn, type ScreenInks, screenBytes } from './spaces';
import { begun, type Drawing, firstState, type InksOf } from './state';

/** Deeper than this, or with more operations, no page is drawn: a budget against files that never end. */
const MOST_DEEP = 24;
const MOST_OPERATIONS = 3_000_000;

export interface PageAsked {
  /** The number of the page, 0 first. */
  page: number;
  /** The place of the page, in its own units, that is the device's origin; y runs down from there. */
  origin: Point;
  /** What lays that on the device, where it does not lie there as it is. */
  turned?: Matrix;
  /** Colours as amounts of ink, where they are not taken as each space has them. */
  inksOf?: InksOf;
  /** Colours of a screen as the press has them, where its profile is at hand. */
  screenInks?: ScreenInks | undefined;
}

/** A page has few colours, and uses them often. */
export function byPress(screenInks: ScreenInks | undefined): InksOf {
  const known = new Map<string, ReturnType<InksOf>>();
  return (space, values) => {
    const key = space.screen ? `${space.says} ${screenBytes(space, values)!.join()}` : undefined;
    const found = (key !== undefined && known.get(key)) || platesIn(space, values, screenInks);
    if (key !== undefined) known.set(key, found);
    return found;
  };
}

/**
 * Draws a page of a PDF on a device: the opposite of the device that writes one, and sharing nothing with it. `pictures`
 * is filled with those that the device will ask for by their names. Throws SyntaxFault for a content that cannot be read,
 * or does not end.
 */
export function drawPage(
  view: PdfView,
  { page, origin, turned = IDENTITY, screenInks, inksOf = byPress(screenInks) }: PageAsked,
  device: MayBlend,
  hear: Hear = {},
  pictures = new Map<string, LaidPicture>(),
): void {
  const base = multiply(turned, [1, 0, 0, -1, -origin.x, origin.y]);
  const [x0, y0, x1, y1] = mediaOf(view, view.pages[page] ?? new Map());
  const drawing: Drawing = {
    view,
    device,
    hear,
    base,
    sheet: boxAround({ x: x0, y: y0, width: x1 - x0, height: y1 - y0 }, base),
    pictures,
    inksOf,
    screenInks,
    fonts: new Map(),
    images: new Map(),
    stencils: new Map(),
    count: 0,
    lettering: 0,
    masks: 0,
    run(content, resources, from, deep) {
      if (deep > MOST_DEEP) throw new SyntaxFault('Forms lie in one another without end');
      const running = begun(drawing, resources, from, deep);
      for (const { word, given } of content) {
        if (++drawing.count > MOST_OPERATIONS) throw new SyntaxFault('The page draws more than any page needs');
        const numbers = given.filter((each) => typeof each === 'number');
        if (Object.hasOwn(OPERATORS, word)) OPERATORS[word]!(running, numbers, given);
      }
      for (let i = from.clips; i < running.state.clips; i++) device.endClip();
    },
  };
  const content = view.contents[page];
  if (!content) return;
  // A page is a group by itself (11.4.7): what blends on bare paper blends with nothing.
  const apart = device.blending !== undefined && hasBlends(view, content.resources);
  if (apart) device.blending?.beginApart();
  drawing.run(content.operations, content.resources, firstState(drawing), 0);
  if (apart) device.endGroup();
}
