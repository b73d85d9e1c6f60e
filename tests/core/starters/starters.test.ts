import { describe, expect, it } from 'vitest';
import { checkPiece } from '../../../core/checks/check-piece';
import { readJob } from '../../../core/files/job-file';
import { setFirmDetail } from '../../../core/job/edits/house';
import { makeJob } from '../../../core/job/make';
import type { Job } from '../../../core/job/schema';
import { beginPiece, STARTERS, startersOf } from '../../../core/starters';
import { KINDS } from '../../../core/trade/schema';
import { shopOf } from '../../../core/trade/shops';
import { measuresOf, sizesOf } from '../../../core/trade/sizes';
import { kit, openDemo } from '../../kit';

const empty = setFirmDetail(makeJob('job', 'Job', '2026-11-02T09:00:00.000Z'), 'name', 'Marsh & Daughters');
const demo = { ...openDemo().job, pieces: [] } as Job;
const newIds = () => {
  let n = 0;
  return () => `s${++n}`;
};

/** What must not be found in a piece that has just been begun. */
const FAULTS = [
  'outside-safe',
  'hidden-words',
  'keep-clear',
  'short-of-bleed',
  'small-type',
  'stray-plates',
  'past-line',
];

const begun = (job: Job, id: string, size: { width: number; height: number; unit: 'mm' | 'in' }): Job => {
  const starter = STARTERS.find((each) => each.id === id)!;
  const shop = size.unit === 'in' ? 'inch-mail-order' : 'metric-offset';
  const asked = { id: 'p', name: 'New', kind: starter.kind, ...size, shop, faces: 2 };
  return beginPiece(job, asked, starter, newIds(), kit.fonts);
};

describe('starters', () => {
  it('are at least four a kind, each with a name of its own', () => {
    for (const kind of KINDS) expect(startersOf(kind).length, kind).toBeGreaterThanOrEqual(4);
    expect(new Set(STARTERS.map(({ id }) => id)).size).toBe(STARTERS.length);
  });
  it.each(STARTERS.map(({ id, kind }) => [id, kind] as const))(
    '%s is sound at every size, both ways up',
    (id, kind) => {
      const all: string[] = [];
      for (const [whose, house] of [
        ['demo', demo],
        ['empty', empty],
      ] as const)
        for (const row of sizesOf(kind))
          for (const turned of kind === 'envelope' ? [false] : [false, true]) {
            const { width, height, unit } = measuresOf(row);
            const size = turned ? { width: height, height: width, unit } : { width, height, unit };
            const job = readJob(JSON.parse(JSON.stringify(begun(house, id, size))));
            const piece = job.pieces[0]!;
            const shop = shopOf(piece.shop);
            const press = kit.press(shop.condition);
            const found = checkPiece(job, piece, { fonts: kit.fonts, press }).filter((f) => FAULTS.includes(f.check));
            for (const f of found) {
              const name = piece.faces.flatMap((face) => face.elements).find((e) => e.id === f.element)?.name;
              all.push(`${whose}, ${row.name}${turned ? ' turned' : ''}: ${f.check} ${name}: ${f.problem}`);
            }
          }
      expect(all).toEqual([]);
    },
  );
  it('say what the house says, and follow it', () => {
    const job = begun(demo, 'card-quiet', { width: 241, height: 156, unit: 'mm' });
    const words = JSON.stringify(setFirmDetail(job, 'phone', '01632 960 777').pieces);
    expect(words).toContain('01632 960 777');
    expect(words).toContain('Iris Calloway');
  });
});
