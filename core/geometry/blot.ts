import type { Path, Segment } from './path';

/** An irregular splash in a unit square. */
export interface BlotAsked {
  /** The same seed makes the same blot. */
  seed: number;
  /** How far it departs from a round, 0 to 1. */
  irregularity: number;
  /** How many bulges it has, 3 to 40. */
  count: number;
  /** Drops that lie beside it, 0 to 30. */
  drops: number;
}

/** Numbers from 0 to 1 in a fixed order for each seed (mulberry32, a public-domain generator). */
export function seeded(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

interface Polar {
  angle: number;
  radius: number;
}

/** A smooth ring through points about a middle: each curve sets out along the line between its point's neighbours. */
function smoothRing(points: readonly Polar[], cx: number, cy: number): Path {
  const places = points.map(
    ({ angle, radius }) => [cx + radius * Math.cos(angle), cy + radius * Math.sin(angle)] as const,
  );
  const n = places.length;
  const at = (i: number) => places[(i + n) % n]!;
  const start = at(0);
  return [
    ['M', start[0], start[1]],
    ...places.map((p, i): Segment => {
      const [before, next, after] = [at(i - 1), at(i + 1), at(i + 2)];
      return [
        'C',
        p[0] + (next[0] - before[0]) / 6,
        p[1] + (next[1] - before[1]) / 6,
        next[0] - (after[0] - p[0]) / 6,
        next[1] - (after[1] - p[1]) / 6,
        next[0],
        next[1],
      ];
    }),
    ['Z'],
  ];
}

/** A blot: a ring of bulges and hollows, with drops thrown out beyond it. It lies within a unit square. */
export function blotPath({ seed, irregularity, count, drops }: BlotAsked): Path {
  const random = seeded(seed);
  const body = drops > 0 ? 0.34 : 0.5;
  const points = Array.from({ length: 2 * count }, (_, i): Polar => {
    const bulge = i % 2 === 0;
    const inwards = bulge ? 0.25 * random() : 0.35 + 0.45 * random();
    const astray = ((random() - 0.5) * 0.7 * irregularity * Math.PI) / count;
    return { angle: (Math.PI * i) / count + astray, radius: body * (1 - irregularity * inwards) };
  });
  const beside = Array.from({ length: drops }, (): Path => {
    const angle = 2 * Math.PI * random();
    const size = 0.012 + 0.03 * random() ** 2;
    const far = Math.min(0.5 - 1.3 * size, 0.36 + 0.13 * random());
    const ring = Array.from(
      { length: 8 },
      (_, i): Polar => ({
        angle: (2 * Math.PI * i) / 8,
        radius: size * (1 + 0.3 * irregularity * (random() - 0.5)),
      }),
    );
    return smoothRing(ring, 0.5 + far * Math.cos(angle), 0.5 + far * Math.sin(angle));
  });
  return [...smoothRing(points, 0.5, 0.5), ...beside.flat()];
}
