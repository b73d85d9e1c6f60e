import { type Fault, pictured, sideAt } from './fault';

/** Faults of pictures. 300 ppi: common practice; 150, 225, 450 and 550 from memory of the Ghent Workgroup's specification. */
const at = (
  check: string,
  says: string,
  bad: number,
  good: number,
  facts: Parameters<typeof pictured>[1] = {},
): Fault => ({
  check,
  says,
  faulty: pictured(sideAt(bad), facts),
  twin: pictured(sideAt(good), facts),
});
const file = (
  check: string,
  says: string,
  bad: Parameters<typeof pictured>[1],
  good: Parameters<typeof pictured>[1],
  shop: string,
): Fault => ({
  check,
  says,
  faulty: pictured(sideAt(300), { space: 'CMYK', ...bad }, {}, { shop }),
  twin: pictured(sideAt(300), { space: 'CMYK', ...good }, {}, { shop }),
});

export const PICTURES: readonly Fault[] = [
  at('low-ppi', 'a photograph at 240 ppi', 240, 300),
  at('low-ppi', 'a photograph at 200 ppi', 200, 300),
  at('heavy-picture', 'a photograph at 600 ppi', 600, 400),
  at('heavy-picture', 'a photograph at 460 ppi', 460, 440),
  at('line-art-ppi', 'black and white art at 400 ppi', 400, 900, { bits: 1, space: 'GRAY' }),
  at('line-art-ppi', 'black and white art at 700 ppi', 700, 900, { bits: 1, space: 'GRAY' }),
  file('upscaled-picture', 'a picture enlarged three times', { upscaled: 3 }, {}, 'metric-offset'),
  file('upscaled-picture', 'a picture enlarged twice', { upscaled: 2 }, {}, 'metric-offset'),
  file('stretched-picture', 'a picture with pixels twice as broad as high', { pixelAspect: 2 }, {}, 'metric-offset'),
  file('stretched-picture', 'a picture of a film with tall pixels', { pixelAspect: 0.912 }, {}, 'metric-offset'),
  file('rgb-picture', 'a picture in screen colours, at a shop that asks', { space: 'RGB' }, {}, 'metric-digital'),
  file('jpeg-quality', 'a JPEG saved at 40', { quality: 40 }, { quality: 92 }, 'metric-offset'),
  file('jpeg-quality', 'a JPEG saved at 70', { quality: 70 }, { quality: 75 }, 'metric-offset'),
];
