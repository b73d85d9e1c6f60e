import { type Path, transformPath } from '../geometry/path';
import type { Font, Glyph } from './font';

/** Heights at which the gap between two letters is measured, as shares of the size above the baseline. */
const HEIGHTS = Array.from({ length: 12 }, (_, i) => 0.04 + i * 0.055);
/** A gap counts no wider than this share of the size: an open counter is not all gap. */
const DEEPEST = 0.22;

/** Where an outline is crossed at a height, in font units; undefined where it is not. */
function crossings(path: Path, y: number): { left: number; right: number } | undefined {
  let [left, right] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  let from = { x: 0, y: 0 };
  let start = from;
  const line = (to: { x: number; y: number }): void => {
    if (from.y <= y !== to.y <= y) {
      const x = from.x + ((y - from.y) / (to.y - from.y)) * (to.x - from.x);
      left = Math.min(left, x);
      right = Math.max(right, x);
    }
    from = to;
  };
  for (const segment of path) {
    if (segment[0] === 'M') {
      from = { x: segment[1], y: segment[2] };
      start = from;
    } else if (segment[0] === 'Z') line(start);
    else if (segment[0] === 'L') line({ x: segment[1], y: segment[2] });
    else {
      // Flattened: four chords a curve are finer than the eye judges a gap.
      const p0 = from;
      const n = segment.slice(1) as number[];
      for (let i = 1; i <= 4; i++) {
        const t = i / 4;
        const u = 1 - t;
        line(
          segment[0] === 'Q'
            ? {
                x: u * u * p0.x + 2 * u * t * n[0]! + t * t * n[2]!,
                y: u * u * p0.y + 2 * u * t * n[1]! + t * t * n[3]!,
              }
            : {
                x: u ** 3 * p0.x + 3 * u * u * t * n[0]! + 3 * u * t * t * n[2]! + t ** 3 * n[4]!,
                y: u ** 3 * p0.y + 3 * u * u * t * n[1]! + 3 * u * t * t * n[3]! + t ** 3 * n[5]!,
              },
        );
      }
    }
  }
  return left <= right ? { left, right } : undefined;
}

type Profile = ({ left: number; right: number } | undefined)[];
const profiles = new WeakMap<Font, Map<number, Profile>>();

function profileOf(font: Font, glyph: number): Profile {
  const known = profiles.get(font) ?? new Map<number, Profile>();
  profiles.set(font, known);
  const found =
    known.get(glyph) ??
    HEIGHTS.map((h) => crossings(transformPath(font.outline(glyph), [1, 0, 0, 1, 0, 0]), h * font.upem));
  known.set(glyph, found);
  return found;
}

/** The mean gap between two glyphs set side by side by their advances, in font units; undefined where either has no ink there. */
function gapOf(font: Font, a: number, b: number): number | undefined {
  const [first, second] = [profileOf(font, a), profileOf(font, b)];
  const advance = font.advance(a);
  const deepest = DEEPEST * font.upem;
  const gaps = HEIGHTS.flatMap((_, i) => {
    const [left, right] = [first[i], second[i]];
    if (!left && !right) return [];
    return [Math.min(deepest, left ? advance - left.right : deepest) + Math.min(deepest, right ? right.left : deepest)];
  });
  if (gaps.length === 0 || !first.some(Boolean) || !second.some(Boolean)) return undefined;
  return gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length;
}

const wanted = new WeakMap<Font, number>();
/** The gap the font itself leaves between two upright stems: what all gaps are brought to. */
function wantedGap(font: Font): number {
  const found =
    wanted.get(font) ?? gapOf(font, font.shape({ text: 'n' })[0]!.id, font.shape({ text: 'n' })[0]!.id) ?? 0;
  wanted.set(font, found);
  return found;
}

/** Glyphs with their advances changed so that the gaps between them look alike, computed from the outlines. */
export function evenGaps(glyphs: readonly Glyph[], font: Font): Glyph[] {
  return glyphs.map((glyph, i) => {
    const next = glyphs[i + 1];
    const gap = next && gapOf(font, glyph.id, next.id);
    return gap === undefined
      ? glyph
      : { ...glyph, advance: font.advance(glyph.id) + Math.round(wantedGap(font) - gap) };
  });
}
