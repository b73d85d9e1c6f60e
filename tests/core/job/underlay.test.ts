import { describe, expect, it } from 'vitest';
import { platesDevice } from '../../../core/devices/plates/device';
import { writeJobFile } from '../../../core/files/job-file';
import { assetsInUse } from '../../../core/files/job-parts';
import { readJob } from '../../../core/files/read-job';
import { setUnderlay } from '../../../core/job/edits/faces';
import { lineUp } from '../../../core/job/underlay';
import { drawFace } from '../../../core/scene/face';
import { printedFaces } from '../../../core/scene/shown-faces';
import { sourcesOf } from '../../../core/scene/sources';
import { cardWith, kit, makePng, mm, withPicture } from '../../kit';

const TRIM = { x: 0, y: 0, width: mm(85), height: mm(55) };

describe('a shop’s template', () => {
  it('of the size of the trim, or of trim and bleed, is lined up on it', () => {
    const exact = (w: number, h: number) => lineUp({ width: mm(w), height: mm(h), exact: true }, TRIM, mm(3));
    expect(exact(85, 55)).toMatchObject({ on: 'trim', box: { x: 0, y: 0 } });
    expect(exact(91, 61)).toMatchObject({ on: 'trim and bleed', box: { x: expect.closeTo(-mm(3), 6) } });
    // Half a millimetre of rounding is still meant.
    expect(exact(91.5, 61).on).toBe('trim and bleed');
    expect(exact(100, 70)).toMatchObject({ on: undefined, box: { x: expect.closeTo(-mm(7.5), 6) } });
  });
  it('that is a picture goes by its proportions', () => {
    const pixels = (width: number, height: number) => lineUp({ width, height, exact: false }, TRIM, mm(3));
    expect(pixels(850, 550)).toMatchObject({ on: 'trim', box: TRIM });
    expect(pixels(1075, 721).on).toBe('trim and bleed');
    const odd = pixels(500, 500);
    expect(odd.on).toBeUndefined();
    expect(odd.box.height).toBeCloseTo(mm(61), 6);
  });
  it('is kept with the job and drawn by no device', () => {
    const { job, hash, assets } = withPicture(
      cardWith([]),
      makePng(20, 10, () => [0, 0, 0]),
    );
    const laid = setUnderlay(job, 'card', 'card-1', { asset: hash, ...TRIM, opacity: 0.5 });
    expect(readJob(JSON.parse(JSON.stringify(laid)))).toEqual(laid);
    expect([...assetsInUse(laid)]).toEqual([hash]);
    expect(writeJobFile({ job: laid, assets }).length).toBeGreaterThan(100);
    const sources = sourcesOf(laid, kit.fonts);
    const device = platesDevice({ box: TRIM, ppi: 72, picture: () => undefined });
    drawFace(printedFaces(laid.pieces[0]!, sources)[0]!, sources, device);
    expect(device.grid().plates.size).toBe(0);
  });
});
