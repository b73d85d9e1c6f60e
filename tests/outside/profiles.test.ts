import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { profileFile } from '../../cli/kit';
import { INTENTS } from '../../core/trade/schema';
import { kit } from '../kit';
import { makeTiff, readTiff } from '../tiff';
import { folder, run, tidyUp } from './tools';

/** Conversions against Little CMS's own `tificc`, which goes through the whole of both profiles with `-c 0`: bit for bit. */

const SIDE = 256;
const profile = new Uint8Array(readFileSync(profileFile('general-coated.icc')));

/** 65,536 pixels that go everywhere in their space, the same each time. */
function pixels(channels: 3 | 4): Uint8Array {
  let seed = 12_345;
  return Uint8Array.from({ length: SIDE * SIDE * channels }, (_, i) => {
    seed = (Math.imul(seed, 1_103_515_245) + 12_345) >>> 0;
    // Corners and edges of the space come up often enough, too.
    const value = seed >>> 24;
    return i % 97 === 0 ? (value < 128 ? 0 : 255) : value;
  });
}

const CASES = INTENTS.flatMap((intent, number) =>
  [false, true].flatMap((blackPointCompensation) =>
    (['to ink', 'from ink'] as const).map((way) => ({ intent, number, blackPointCompensation, way })),
  ),
);

describe('profiles against Little CMS', () => {
  afterAll(tidyUp);
  writeFileSync(join(folder, 'rgb.tif'), makeTiff(SIDE, SIDE, 3, pixels(3)));
  writeFileSync(join(folder, 'cmyk.tif'), makeTiff(SIDE, SIDE, 4, pixels(4)));

  it.each(CASES)(
    '$intent, black point $blackPointCompensation, $way',
    ({ intent, number, blackPointCompensation, way }) => {
      const toInk = way === 'to ink';
      const press = profileFile('general-coated.icc');
      const [from, to] = toInk ? ['*sRGB', press] : [press, '*sRGB'];
      const out = `${number}-${blackPointCompensation}-${toInk}.tif`;
      run('tificc', [
        '-c0',
        `-t${number}`,
        ...(blackPointCompensation ? ['-b'] : []),
        `-i${from}`,
        `-o${to}`,
        toInk ? 'rgb.tif' : 'cmyk.tif',
        out,
      ]);
      const theirs = readTiff(new Uint8Array(readFileSync(join(folder, out))));
      const convert = kit.engine.converter(toInk ? 'sRGB' : profile, toInk ? profile : 'sRGB', {
        intent,
        blackPointCompensation,
      });
      const ours = Buffer.from(convert(pixels(toInk ? 3 : 4)));
      // The last strip of the file is filled up with nothing.
      expect(ours.equals(Buffer.from(theirs.subarray(0, ours.length)))).toBe(true);
    },
  );
});
