import { describe, expect, it } from 'vitest';
import { LIGHT, lightnessOf, linearOf } from '../../../core/colour/srgb';
import { readJob } from '../../../core/files/read-job';
import { setNeutralBlack } from '../../../core/job/edits/press';
import { pressConditionOf } from '../../../core/job/press-of';
import { shopOf } from '../../../core/trade/shops';
import { kit, openDemo } from '../../kit';

const asked = (isNeutral: boolean) => {
  const job = setNeutralBlack(openDemo().job, isNeutral);
  return { job, condition: pressConditionOf(job, shopOf('metric-offset')) };
};
const lightness = (rgb: readonly number[]): number =>
  lightnessOf(LIGHT.reduce((sum, share, i) => sum + share * linearOf(rgb[i]! / 255), 0));

describe('black without its tinge', () => {
  const plain = kit.press(asked(false).condition);
  const neutral = kit.press(asked(true).condition);

  it('is grey at every tint, as light as it measures', () => {
    for (let k = 0; k <= 1; k += 0.05) {
      const [was, now] = [plain.screen([0, 0, 0, k]), neutral.screen([0, 0, 0, k])];
      expect(Math.max(...now) - Math.min(...now), `${k}`).toBeLessThanOrEqual(1);
      expect(Math.abs(lightness(now) - lightness(was)), `${k}`).toBeLessThan(0.5);
    }
    // The shipped profile's own black has one: that is what is taken away.
    const black = plain.screen([0, 0, 0, 1]);
    expect(Math.max(...black) - Math.min(...black)).toBeGreaterThan(3);
  });
  it('leaves colours without black alone, and what is made of colours as they are', () => {
    for (const cmyk of [
      [1, 0, 0, 0],
      [0.2, 0.8, 0.4, 0],
      [0, 0, 0, 0],
    ] as const)
      expect(neutral.screen([...cmyk])).toEqual(plain.screen([...cmyk]).map((each) => expect.closeTo(each, -0.4)));
    expect(neutral.separate([120, 60, 30])).toEqual(plain.separate([120, 60, 30]));
    expect(neutral.lab([0, 0, 0, 1])).toEqual(plain.lab([0, 0, 0, 1]));
  });
  it('is kept with the job, and gone when it is not wanted', () => {
    expect(readJob(JSON.parse(JSON.stringify(asked(true).job))).neutralBlack).toBe(true);
    expect('neutralBlack' in asked(false).job).toBe(false);
    expect('neutralBlack' in asked(false).condition).toBe(false);
  });
});
