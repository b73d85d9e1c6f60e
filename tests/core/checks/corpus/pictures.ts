import type { PlacedPage } from '../../../../core/job/placed-page';
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

/** A page of a PDF of an inch square, at its own size: what is said of it, and of its sound twin. */
const paged = (check: string, says: string, bad: Partial<PlacedPage>, good: Partial<PlacedPage>): Fault => {
  const page = {
    width: 72,
    height: 72,
    trim: { x: 0, y: 0, width: 72, height: 72 },
    inked: { x: 10, y: 10, width: 52, height: 52 },
    plates: ['Black'],
  };
  const of = (facts: Partial<PlacedPage>) =>
    pictured(25.4, { type: 'application/pdf', page: { ...page, ...facts } }, { x: 0, y: 0 });
  return { check, says, faulty: of(bad), twin: of(good) };
};

export const PICTURES: readonly Fault[] = [
  paged('placed-colours', 'a placed page in colours of a screen', { screen: true }, {}),
  paged('placed-colours', 'a placed page in a spot ink of another job', { plates: ['Teal'] }, { plates: ['Copper'] }),
  paged('placed-detail', 'a placed page with words of 4 pt', { words: 4 }, { words: 7 }),
  paged('placed-detail', 'a placed page with a line of 0.1 pt', { line: 0.1 }, { line: 0.5 }),
  paged('placed-detail', 'a placed page with a picture of 120 ppi', { ppi: 120 }, { ppi: 300 }),
  paged(
    'placed-detail',
    'a placed page with words at the trim',
    { lettered: { x: 6, y: 30, width: 40, height: 10 } },
    { lettered: { x: 14, y: 30, width: 40, height: 10 } },
  ),
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
