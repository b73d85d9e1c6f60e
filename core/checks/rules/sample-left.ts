import { type Check, workedOn } from '../check';
import { found } from '../found';

export const sampleLeft: Check = {
  id: 'sample-left',
  name: 'A sample on a piece that has no use for one',
  protects: 'A sample is never printed: on anything but a letterhead or an envelope that is rarely meant.',
  source: { kind: 'common practice' },
  severity: 'advise',
  run: (context) => {
    const { face, piece } = context;
    // Letters, addresses and messages are what samples are for.
    if (piece.kind === 'letterhead' || piece.kind === 'envelope' || piece.post?.face === face.id) return [];
    return workedOn(context)
      .elements.filter(({ sample }) => sample)
      .map((element) => found(sampleLeft, element, context, { problem: 'Is a sample, and will not print' }));
  },
};
