import { differenceWord } from '../../colour/difference';
import { type Box, intersection, overlaps, unionOf } from '../../geometry/box';
import { boxAround } from '../../geometry/matrix';
import type { Picture } from '../../job/schema';
import { pictureMatrix } from '../../picture/place';
import { imageOf } from '../../scene/images';
import { turnOf } from '../../scene/turn';
import { INK_LIMITS, INK_SOURCE } from '../../trade/ink-limits';
import type { Finding } from '../check';
import type { PlateCheck, PlateContext } from '../plate-check';

/** The cells of a picture that the press cannot reach, where they lie on the face, and how many of it are seen. */
function farPlaces(picture: Picture, { sources, picture: separated }: PlateContext) {
  const image = imageOf(picture, sources);
  const reach = image && separated(image)?.reach;
  if (!reach) return undefined;
  const { x, y, width, height } = picture;
  const frame: Box = { x, y, width, height };
  const place = pictureMatrix(picture, image.width, image.height);
  const cellBox = (column: number, row: number): Box => ({
    x: column / reach.columns,
    y: row / reach.rows,
    width: 1 / reach.columns,
    height: 1 / reach.rows,
  });
  const seen = Array.from(reach.cells, (miss, i) => ({
    miss,
    box: boxAround(cellBox(i % reach.columns, Math.floor(i / reach.columns)), place),
  })).filter(({ box }) => overlaps(box, frame));
  const far = seen.filter(({ miss }) => miss > INK_LIMITS.outOfGamut);
  const around = unionOf(far.map(({ box }) => box));
  const inside = around && intersection(frame, around);
  if (!inside) return undefined;
  return {
    place: picture.turn ? boxAround(inside, turnOf(picture, frame)) : inside,
    share: far.length / seen.length,
    worst: Math.max(...far.map(({ miss }) => miss)),
  };
}

export const picturesOutOfGamut: PlateCheck = {
  id: 'picture-out-of-gamut',
  name: 'Part of a picture the press cannot reach',
  protects: 'Bright parts of a picture come back duller than they look on a screen.',
  source: INK_SOURCE,
  severity: 'advise',
  limits: ['condition'],
  run: (context) =>
    context.face.elements.flatMap((element): Finding[] => {
      if (element.kind !== 'picture') return [];
      const far = farPlaces(element, context);
      if (!far || far.share < INK_LIMITS.farShare) return [];
      return [
        {
          check: 'picture-out-of-gamut',
          face: context.face.id,
          element: element.id,
          place: far.place,
          severity: 'advise',
          problem: `${Math.max(1, Math.round(far.share * 100))} % of the picture: the press prints it ${differenceWord(far.worst)}`,
          measured: { value: far.worst, kind: 'difference' },
          wanted: { value: INK_LIMITS.outOfGamut, kind: 'difference' },
        },
      ];
    }),
};
