import { produce } from 'immer';
import { findFace, pieceOf } from '../find';
import type { Guide, Job } from '../schema';

/** Where guides live: on one face, or on a piece for all its faces. */
export type GuideHome = { face: string } | { piece: string };

const same = (a: Guide, b: Guide): boolean => a.axis === b.axis && Math.abs(a.at - b.at) < 0.001;

const change = (job: Job, home: GuideHome, edit: (guides: readonly Guide[]) => Guide[]): Job =>
  produce(job, (draft) => {
    const owner = 'face' in home ? findFace(draft, home.face) : pieceOf(draft, home.piece);
    if (!owner) return;
    const guides = edit(owner.guides ?? []);
    if (guides.length > 0) owner.guides = guides;
    else delete owner.guides;
  });

/** Adds guides; one that is there already stays one. */
export const addGuides = (job: Job, home: GuideHome, more: readonly Guide[]): Job =>
  change(job, home, (guides) =>
    [...guides, ...more].filter((guide, i, all) => all.findIndex((each) => same(each, guide)) === i),
  );

export const moveGuide = (job: Job, home: GuideHome, index: number, at: number): Job =>
  change(job, home, (guides) => guides.map((guide, i) => (i === index ? { ...guide, at } : guide)));

export const removeGuide = (job: Job, home: GuideHome, index: number): Job =>
  change(job, home, (guides) => guides.filter((_, i) => i !== index));

export const clearGuides = (job: Job, home: GuideHome): Job => change(job, home, () => []);

/** Guides around a face of that size at an inset, points. */
export const guidesAround = (width: number, height: number, inset: number): Guide[] => [
  { axis: 'x', at: inset },
  { axis: 'x', at: width - inset },
  { axis: 'y', at: inset },
  { axis: 'y', at: height - inset },
];

export const guidesAtCentres = (width: number, height: number): Guide[] => [
  { axis: 'x', at: width / 2 },
  { axis: 'y', at: height / 2 },
];

/** Guides on both sides of each column between two margins, with a gutter between columns; points. */
export function guidesForColumns(width: number, margin: number, count: number, gutter: number): Guide[] {
  const column = (width - 2 * margin - (count - 1) * gutter) / count;
  return Array.from({ length: count }, (_, i) => margin + i * (column + gutter)).flatMap((left): Guide[] => [
    { axis: 'x', at: left },
    { axis: 'x', at: left + column },
  ]);
}
