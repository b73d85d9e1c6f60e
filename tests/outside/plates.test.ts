import { afterAll, describe, it } from 'vitest';
import { someOf } from '../deep';
import { openDemo } from '../kit';
import { holdPlates } from './plates-as-separated';
import { tidyUp } from './tools';
import { torture } from './torture';

describe('plates against Ghostscript', () => {
  afterAll(tidyUp);
  const demo = openDemo();
  it.each(
    // A spot and a logo, pictures, words on them; the flyer's large picture takes as long as all else.
    someOf(
      demo.job.pieces.map((piece, i) => [piece.name, i, piece.id] as const),
      ([, , id]) => id === 'card',
    ),
  )('%s', (_, i) => holdPlates(`demo-${i}`, demo, i));
  it('a face of overprints, tints, gradients, masks, pictures and small things', () =>
    holdPlates('torture', torture(), 0));
});
