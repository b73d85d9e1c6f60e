import type { Check, Finding } from '../check';
import { found } from '../found';
import { picturesOn } from '../pictures-on';

export const rgbPicture: Check = {
  id: 'rgb-picture',
  name: 'A picture in screen colours',
  protects: 'It is separated for the press on the way out: a shop that wants its own separations asks for CMYK.',
  source: { kind: 'common practice' },
  severity: 'advise',
  run: (context) =>
    picturesOn(context).flatMap(({ picture, asset }): Finding[] =>
      asset.space !== 'RGB' || picture.inks
        ? []
        : [found(rgbPicture, picture, context, { problem: 'Screen colours, separated when the file is written' })],
    ),
};
