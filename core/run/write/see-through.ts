import type { LaidPicture } from '../../devices/plates/device';
import { ExportError } from '../../files/pdf/asked';
import { titleOf } from '../../job/find';
import type { Element } from '../../job/schema';
import { type ImageRef, UNHEARD } from '../../scene/device';
import { drawElement } from '../../scene/face';
import type { SceneSources } from '../../scene/sources';

/** Whether an element lets something show through it once it is drawn. */
function isSeeThrough(
  element: Element,
  sources: SceneSources,
  picture: (image: ImageRef) => LaidPicture | undefined,
): boolean {
  let soft = false;
  const note = (): void => {
    soft = true;
  };
  const nothing = (): void => {};
  drawElement(element, sources, {
    ...UNHEARD,
    beginClip: nothing,
    beginGlyphClip: nothing,
    endClip: nothing,
    fillPath: nothing,
    strokePath: nothing,
    showGlyphs: nothing,
    beginGroup: note,
    beginFade: note,
    drawTone: note,
    drawImage: (image) => {
      soft ||= picture(image)?.alpha !== undefined;
    },
  });
  return soft;
}

/**
 * In a file without transparency each row would have to be flattened by itself: what is see-through may lie below all that
 * changes, nowhere else. Throws ExportError that names it.
 */
export function refuseSeeThrough(
  elements: readonly Element[],
  sources: SceneSources,
  picture: (image: ImageRef) => LaidPicture | undefined,
): void {
  const found = elements.find((element) => isSeeThrough(element, sources, picture));
  if (found)
    throw new ExportError(
      `“${titleOf(found, sources.assets)}” is see-through and changes with the rows, or lies over what does. Send it below them, make it opaque, or export PDF/X-4.`,
    );
}
