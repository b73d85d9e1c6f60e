import { labDifference } from './difference';
import type { Press } from './engine';
import type { Cmyk } from './ink';

/** Steps of black tried between what a colour has and all of it. */
const STEPS = 50;

export const totalInk = (cmyk: Cmyk): number => cmyk[0] + cmyk[1] + cmyk[2] + cmyk[3];

/** A colour with so much black and its coloured inks thinned alike until all of it is `limit`. */
function thinnedTo(limit: number, [c, m, y]: Cmyk, k: number): Cmyk {
  const share = Math.min(1, Math.max(0, limit - k) / Math.max(1e-6, c + m + y));
  return [c * share, m * share, y * share, k];
}

/**
 * The colour of no more than `limit` ink (1 to 4) that the press prints nearest to `asked`: separated again by the
 * press's own tables, and where those still lay on too much, with more black and thinner colours. With the CIEDE2000
 * between the two. A colour under the limit comes back as it is.
 */
export function underInkLimit(asked: Cmyk, limit: number, press: Press): { cmyk: Cmyk; deltaE: number } {
  if (totalInk(asked) <= limit + 1e-9) return { cmyk: asked, deltaE: 0 };
  const wanted = press.lab(asked);
  const again = press.separateLab(wanted);
  const from = [asked, again];
  const candidates = from.flatMap((start) =>
    Array.from({ length: STEPS + 1 }, (_, i) => thinnedTo(limit, start, start[3] + ((1 - start[3]) * i) / STEPS)),
  );
  const tried = candidates.map((cmyk) => ({ cmyk: down(cmyk), deltaE: labDifference(wanted, press.lab(down(cmyk))) }));
  return tried.reduce((best, each) => (each.deltaE < best.deltaE ? each : best));
}

/** To whole per mille, downwards: rounding never goes over the limit. */
const down = (cmyk: Cmyk): Cmyk => cmyk.map((a) => Math.floor(a * 1000 + 1e-9) / 1000) as Cmyk;

/** Bytes a colour is looked up by: darker places differ by less than can be seen. */
const GRAIN = 3;

/** Whether no pixel has more ink than `limit`, 1 to 4. */
export function isWithin(cmyk: Uint8Array, limit: number): boolean {
  const most = Math.floor(limit * 255);
  for (let at = 0; at < cmyk.length; at += 4)
    if (cmyk[at]! + cmyk[at + 1]! + cmyk[at + 2]! + cmyk[at + 3]! > most) return false;
  return true;
}

/** CMYK bytes with every pixel of more than `limit` ink brought under it; others keep their numbers. */
export function limitPixels(cmyk: Uint8Array, limit: number, press: Press): Uint8Array {
  const most = Math.floor(limit * 255);
  const known = new Map<number, Cmyk>();
  const out = Uint8Array.from(cmyk);
  for (let at = 0; at < cmyk.length; at += 4) {
    const [c, m, y, k] = [cmyk[at]!, cmyk[at + 1]!, cmyk[at + 2]!, cmyk[at + 3]!];
    if (c + m + y + k <= most) continue;
    const key = ((((c >> GRAIN) << 5) | (m >> GRAIN)) << 10) | ((y >> GRAIN) << 5) | (k >> GRAIN);
    let to = known.get(key);
    if (!to) {
      const middle = (byte: number): number => Math.min(255, ((byte >> GRAIN) << GRAIN) + (1 << (GRAIN - 1))) / 255;
      to = underInkLimit([middle(c), middle(m), middle(y), middle(k)], limit, press).cmyk;
      known.set(key, to);
    }
    for (let i = 0; i < 4; i++) out[at + i] = Math.floor(to[i]! * 255);
  }
  return out;
}
