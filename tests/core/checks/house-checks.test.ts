import { describe, expect, it } from 'vitest';
import { checkPiece } from '../../../core/checks/check-piece';
import { addPerson, setFirmDetail } from '../../../core/job/edits/house';
import { changeLogo, keepLogo, placeLogo } from '../../../core/job/edits/logos';
import { makeShape, makeWords } from '../../../core/job/make';
import { quotedParagraphs } from '../../../core/job/quoted';
import type { Job } from '../../../core/job/schema';
import { cardWith, checkKit, mm } from '../../kit';

const found = (job: Job, check: string) =>
  checkPiece(job, job.pieces[0]!, checkKit).filter((finding) => finding.check === check);

describe('a quoted detail that is empty', () => {
  const words = {
    ...makeWords({ id: 'w', text: '', x: mm(20), y: mm(20) }),
    paragraphs: quotedParagraphs('{firm.phone}\n{person.name}'),
  };
  const job = addPerson(cardWith([words]), { id: 'a', name: 'Ada', title: '', direct: '', mail: '' });
  it('is told by its name', () => {
    expect(found(job, 'empty-detail')).toMatchObject([{ element: 'w', problem: 'Phone is quoted, but empty' }]);
  });
  it('is nothing once it says something', () => {
    expect(found(setFirmDetail(job, 'phone', '1'), 'empty-detail')).toEqual([]);
  });
});

describe('a logo of the house', () => {
  const box = { x: 0, y: 0, width: mm(20), height: mm(10) };
  const mark = makeShape({ id: 'm', ...box, paint: { ink: 'green', tint: 1 } });
  const ground = makeShape({
    id: 'ground',
    x: mm(-3),
    y: mm(-3),
    width: mm(91),
    height: mm(61),
    paint: { ink: 'green', tint: 0.1 },
  });
  let n = 0;
  const laid = (x: number, y: number, width: number, others = [ground]): Job => {
    const kept = keepLogo(cardWith(others), [mark], box, { id: 'logo', name: 'Fern' });
    const house = changeLogo(kept, 'logo', { clear: 0.5, least: mm(15) });
    return placeLogo(house, 'card-1', 'logo', { x: mm(x), y: mm(y), width: mm(width) }, () => `n${++n}`);
  };
  it('is fine on a ground, far from all else', () => {
    expect(found(laid(30, 20, 20), 'logo-small')).toEqual([]);
    expect(found(laid(30, 20, 20), 'logo-crowded')).toEqual([]);
  });
  it('is too small below its least width', () => {
    const [finding] = found(laid(30, 20, 12), 'logo-small');
    expect(finding!.measured.value).toBeCloseTo(mm(12), 6);
    expect(finding!.wanted.value).toBeCloseTo(mm(15), 6);
  });
  it('is crowded by what comes nearer than half its height, and by the trim', () => {
    const near = makeShape({
      id: 'near',
      x: mm(53),
      y: mm(22),
      width: mm(5),
      height: mm(5),
      paint: { ink: 'black', tint: 1 },
    });
    expect(found(laid(30, 20, 20, [ground, near]), 'logo-crowded')[0]!.measured.value).toBeCloseTo(mm(3), 6);
    expect(found(laid(4, 20, 20), 'logo-crowded')[0]!.measured.value).toBeCloseTo(mm(4), 6);
    const far = { ...near, x: mm(56) };
    expect(found(laid(30, 20, 20, [ground, far]), 'logo-crowded')).toEqual([]);
  });
});
