import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { openPngReader } from '../../cli/png-reader';
import { faceImages, type ImagesAsked, type MadeImage } from '../../core/files/face-images';
import { provenImages } from '../../core/files/hand-off/prove-images';
import { provenSvg } from '../../core/files/hand-off/prove-svg';
import { ReadBackError } from '../../core/files/hand-off/read-back-error';
import { separatedPictures } from '../../core/files/separated';
import { writeSvg } from '../../core/files/svg-file';
import { writeTiff } from '../../core/picture/tiff-file';
import { shopOf } from '../../core/trade/shops';
import { kit, openDemo } from '../kit';

/** PNG, TIFF and SVG are read again by other libraries than wrote them; what is not what was asked is not handed over. */

const { job, assets } = openDemo();
const [piece] = job.pieces;
const press = kit.press('general-coated');
const shop = shopOf('metric-offset');
const readPng = await openPngReader();
const made = (asked: Partial<ImagesAsked>): MadeImage[] =>
  faceImages(
    job,
    piece!,
    shop,
    { as: 'png', faces: [0], ppi: 60, trimmed: true, transparent: false, ...asked },
    { ...kit, press, picture: separatedPictures((hash) => assets[hash], kit.engine, press) },
  );
const proven = (file: MadeImage, bytes: Uint8Array) => provenImages([{ ...file, bytes }], readPng);

describe('a picture of a face', () => {
  const [png] = made({});
  const tiffs = made({ as: 'tiff' });
  const seeThrough = made({ transparent: true });
  it('is what was asked: PNG, see-through or not, TIFF, and the plate of a spot ink', async () => {
    const all = [png!, ...tiffs, ...seeThrough];
    expect(tiffs.length).toBeGreaterThan(1);
    expect(await provenImages(all, readPng)).toEqual(all.map(({ name, bytes }) => ({ name, bytes })));
  });
  const pixels = () => sharp(png!.bytes);
  it.each([
    [
      'one pixel of another colour',
      async () => {
        const { data, info } = await pixels().raw().toBuffer({ resolveWithObject: true });
        data[4 * 999] = data[4 * 999]! ^ 1;
        return sharp(data, { raw: info }).png().toBuffer();
      },
    ],
    ['a row less', async () => pixels().extract({ left: 0, top: 0, width: 201, height: 129 }).png().toBuffer()],
    ['left and right changed over', () => pixels().flop().png().toBuffer()],
    ['cut short', async () => png!.bytes.slice(0, 900)],
  ] as const)('is refused with %s (PNG)', async (_, damage) => {
    await expect(proven(png!, new Uint8Array(await damage()))).rejects.toThrow(ReadBackError);
  });
  it.each([
    [
      'one amount of another size',
      (asked: Parameters<typeof writeTiff>[0]) => ({ ...asked, data: asked.data.with(777, asked.data[777]! ^ 1) }),
    ],
    ['no profile', ({ profile: _, ...asked }: Parameters<typeof writeTiff>[0]) => asked],
    [
      'another profile',
      (asked: Parameters<typeof writeTiff>[0]) => ({
        ...asked,
        profile: asked.profile!.with(400, asked.profile![400]! ^ 1),
      }),
    ],
    [
      'cyan and magenta changed over',
      (asked: Parameters<typeof writeTiff>[0]) => ({
        ...asked,
        data: asked.data.map((_, i, all) => (i % 4 > 1 ? all[i]! : all[i ^ 1]!)),
      }),
    ],
  ] as const)('is refused with %s (TIFF)', async (_, change) => {
    const [file] = tiffs;
    if (file?.made.as !== 'tiff') throw new Error('no TIFF');
    await expect(proven(file, writeTiff(change(file.made)))).rejects.toThrow(ReadBackError);
  });
});

describe('a drawing of a face', () => {
  const drawn = (words: 'text' | 'outlines') =>
    writeSvg(job, piece!, 0, shop.bleed.card, { ...kit, press, assets }, words);
  const text = drawn('text');
  it.each(['text', 'outlines'] as const)('is what was asked, its words as %s', (words) => {
    const drawing = drawn(words);
    expect(provenSvg('card.svg', drawing, readPng)).toBe(drawing.text);
  });
  it.each([
    ['a letter changed', (svg: string) => svg.replace('>Iris', '>Iriz')],
    ['a path moved', (svg: string) => svg.replace(/(<path d="M)(\d)/, '$19$2')],
    ['an element left out', (svg: string) => svg.replace(/<g id="[^"]*">.*<\/g>\n/, '')],
    [
      'two elements changed over',
      (svg: string) => svg.replace(/(<g id="[^"]*">.*<\/g>\n)(<g id="[^"]*">.*<\/g>\n)/, '$2$1'),
    ],
    ['another size', (svg: string) => svg.replace(/viewBox="-?\d/, 'viewBox="7')],
    ['a tag that is not closed', (svg: string) => svg.replace('</svg>', '')],
  ])('is refused with %s', (_, damage) => {
    const damaged = damage(text.text);
    expect(damaged).not.toBe(text.text);
    expect(() => provenSvg('card.svg', { ...text, text: damaged }, readPng)).toThrow(ReadBackError);
  });
  it('is refused with a picture cut short', () => {
    const postcard = job.pieces.find(({ id }) => id === 'open-day')!;
    const drawing = writeSvg(job, postcard, 0, shop.bleed.postcard, { ...kit, press, assets });
    expect(provenSvg('postcard.svg', drawing, readPng)).toBe(drawing.text);
    const cut = drawing.text.replace(/(png;base64,[A-Za-z0-9+/]{400})[A-Za-z0-9+/=]*/, '$1');
    expect(cut.length).toBeLessThan(drawing.text.length);
    expect(() => provenSvg('postcard.svg', { ...drawing, text: cut }, readPng)).toThrow(ReadBackError);
  });
});
