import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { ALL_CHECKS } from '../../../core/checks';
import { asShopAsks, checkPiece } from '../../../core/checks/check-piece';
import { compareShops, onlyAt } from '../../../core/checks/compare-shops';
import { fixAll } from '../../../core/checks/fix-all';
import { acceptance, letStand } from '../../../core/checks/let-stand';
import { review } from '../../../core/checks/review';
import { readJob } from '../../../core/files/read-job';
import { readShop, ShopFileError, shopFileSchema, writeShop } from '../../../core/files/shop-file';
import { accept, openAgain } from '../../../core/job/edits/accepted';
import { moveElement } from '../../../core/job/edits/elements';
import { setShop } from '../../../core/job/edits/job';
import { keepShop, removeShop } from '../../../core/job/edits/shops';
import type { Job } from '../../../core/job/schema';
import { shopIn, shopsOf } from '../../../core/job/shops-of';
import { SHOPS, shopOf } from '../../../core/trade/shops';
import { checkKit, fileHere, kit, mm } from '../../kit';
import { area, ink, jobOf, line, words } from './corpus/fault';

const found = (job: Job) => checkPiece(job, job.pieces[0]!, checkKit);
const faulty = jobOf([area('a', 0, -3, 20, 61), words('w', 'Iris  Calloway', 2, 20), line('r', 30, 30, 30, 0.1)]);
const AT = '2026-11-26T10:00:00.000Z';

describe('a finding that is let stand', () => {
  const [first] = found(faulty).filter(({ check }) => check === 'outside-safe');
  const job = accept(faulty, acceptance(first!, 'card', 'The client wants it there.', AT));
  it('is not open any more, and is kept with its reason', () => {
    const { open, standing } = letStand(found(job), job, job.pieces[0]!);
    expect(open.some(({ check }) => check === 'outside-safe')).toBe(false);
    expect(standing).toMatchObject([{ accepted: { reason: 'The client wants it there.', at: AT } }]);
    expect(readJob(JSON.parse(JSON.stringify(job))).accepted).toHaveLength(1);
  });
  it('is open again once it is worse, or better', () => {
    const moved = moveElement(job, 'w', { x: mm(-0.5), y: 0 });
    expect(letStand(found(moved), moved, moved.pieces[0]!).open.some(({ check }) => check === 'outside-safe')).toBe(
      true,
    );
  });
  it('hides nothing else, on this piece or another', () => {
    const { open } = letStand(found(job), job, job.pieces[0]!);
    expect(open.length).toBe(found(job).length - 1);
    expect(letStand(found(job), job, { id: 'other' }).standing).toEqual([]);
  });
  it('can be looked at again', () => {
    expect(openAgain(job, job.accepted[0]!).accepted).toEqual([]);
  });
});

describe('all safe mends at once', () => {
  it('leave nothing that can be mended, and say what was done', () => {
    const { job, done } = fixAll(faulty, found(faulty), found);
    expect(found(job).filter(({ fix }) => fix)).toEqual([]);
    expect(done).toEqual(
      expect.arrayContaining(['Extend to bleed', 'Move inside', 'Leave one space', 'Make it 0.25 pt']),
    );
  });
  it('change nothing where nothing is found', () => {
    const job = jobOf([]);
    expect(fixAll(job, found(job), found).job).toBe(job);
  });
});

describe('shops', () => {
  it('take a piece in the order of what they find', () => {
    const job = jobOf([area('a', 10, 10, 20, 20, ink('copper'))]);
    const all = compareShops(
      SHOPS.map((shop) => ({
        shop,
        review: review(
          job,
          { ...job.pieces[0]!, shop: shop.id },
          { fonts: kit.fonts, press: kit.press(shop.condition), plates: [], misspelt: new Map() },
          shop,
        ),
      })),
    );
    expect(all.map(({ shop }) => shop.id).sort()).toEqual(SHOPS.map(({ id }) => id).sort());
    expect(all[0]!.counts.stop).toBe(0);
    const digital = all.find(({ shop }) => shop.id === 'metric-digital')!;
    const offset = all.find(({ shop }) => shop.id === 'metric-offset')!;
    expect(onlyAt(digital.findings, offset.findings).map(({ check }) => check)).toContain('shop-plates');
    expect(onlyAt(offset.findings, digital.findings)).toEqual([]);
  });
  it('ask for checks more or less gravely, or not at all', () => {
    const findings = found(faulty);
    const shop = { ...shopOf('metric-offset'), asks: { 'short-of-bleed': 'advise', 'thin-lines': 'off' } as const };
    const asked = asShopAsks(findings, shop);
    expect(asked.find(({ check }) => check === 'short-of-bleed')!.severity).toBe('advise');
    expect(asked.some(({ check }) => check === 'thin-lines')).toBe(false);
  });
  it('ask for a picture in screen colours only where they say so', () => {
    expect(ALL_CHECKS.some(({ id }) => id === 'rgb-picture')).toBe(true);
    for (const id of Object.keys(Object.assign({}, ...SHOPS.map(({ asks }) => asks))))
      expect(ALL_CHECKS.map((check) => check.id)).toContain(id);
  });
  it('of a job come before those that ship, and leave their pieces to another when they go', () => {
    const own = {
      ...shopOf('metric-offset'),
      id: 'own',
      name: 'Round the corner',
      bleed: { ...shopOf('metric-offset').bleed, card: mm(5) },
    };
    const job = setShop(keepShop(faulty, own), 'card', 'own');
    expect(shopIn(job, 'own').name).toBe('Round the corner');
    expect(shopsOf(job)).toHaveLength(SHOPS.length + 1);
    expect(keepShop(job, { ...own, name: 'Changed' }).shops).toMatchObject([{ name: 'Changed' }]);
    expect(removeShop(job, 'own', 'metric-offset').pieces[0]!.shop).toBe('metric-offset');
    const [bleed] = found(job).filter(({ check }) => check === 'short-of-bleed');
    expect(bleed!.wanted.value).toBeCloseTo(mm(5), 9);
  });
});

describe('a shop’s spec as a file', () => {
  it.each(SHOPS.map((shop) => [shop.name, shop] as const))('of %s comes back as it went', (_name, shop) => {
    expect(readShop(writeShop(shop))).toEqual(shop);
  });
  it('of an older kind is filled up', () => {
    const { limits: _limits, tolerance: _tolerance, ...old } = shopOf('inch-mail-order');
    expect(readShop(JSON.stringify(old)).limits).toEqual(shopOf('metric-offset').limits);
  });
  it.each([
    ['no JSON', '{', /not JSON/],
    ['another JSON', '[1]', /no shop spec/],
    ['a bleed in words', JSON.stringify({ ...SHOPS[0], bleed: 'three' }), /bleed is not what it should be/],
    ['a limit below nothing', JSON.stringify({ ...SHOPS[0], meetsTrim: -1 }), /meetsTrim/],
    ['something unheard of', JSON.stringify({ ...SHOPS[0], colour: 'red' }), /colour/],
    ['a whole library', `{"name": "${'x'.repeat(300_000)}"}`, /far larger/],
  ])('that is %s is refused with words', (_what, text, says) => {
    expect(() => readShop(text)).toThrow(ShopFileError);
    expect(() => readShop(text)).toThrow(says);
  });
  it('has the schema that docs/ publishes', () => {
    const published = JSON.parse(readFileSync(fileHere('../docs/shop-spec.schema.json'), 'utf8'));
    expect(published).toEqual(JSON.parse(JSON.stringify(shopFileSchema())));
  });
});

describe('the list of checks', () => {
  it('has more than sixty, each with its reason, source and gravity', () => {
    expect(ALL_CHECKS.length).toBeGreaterThanOrEqual(60);
    expect(new Set(ALL_CHECKS.map(({ id }) => id)).size).toBe(ALL_CHECKS.length);
    for (const { name, protects, source, severity } of ALL_CHECKS) {
      expect(name.length).toBeGreaterThan(4);
      expect(protects).toMatch(/\.$/);
      expect(['stop', 'warn', 'advise']).toContain(severity);
      expect(['standard', 'common practice', 'from memory']).toContain(source.kind);
    }
  });
  it('is what docs/checks.md says', async () => {
    const { checksDoc } = await import('../../../scripts/checks-doc');
    expect(readFileSync(fileHere('../docs/checks.md'), 'utf8')).toBe(checksDoc());
  });
});
