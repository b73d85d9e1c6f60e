import { platesOf, processStandIn } from '../colour/ink';
import type { Role } from '../job/house';
import type { Job, Paint } from '../job/schema';
import type { ShopSpec } from '../trade/schema';

/** The inks of a house by what they do in a look. */
export interface HousePaints {
  main: Paint;
  accent: Paint;
  light: Paint;
  paper: Paint;
}

export const BLACK: Paint = { ink: 'black', tint: 1 };
export const PAPER: Paint = { ink: 'paper', tint: 1 };

/** An ink no darker than this is for grounds. */
export const LIGHT = 0.2;
/** What stands out of its ground: apart by so much of what `darkness` tells, common practice. */
const APART = 0.42;
/** Tints of the first ink that stand in for a second and a light one. */
const TINTS = { accent: 0.6, light: 0.1 };

/** How dark an ink is, 0 to about 1, by what stands in for it in process. */
export const darkness = (job: Pick<Job, 'inks'>, id: string): number => {
  const ink = job.inks.find((each) => each.id === id);
  if (!ink) return 1;
  const [c, m, y, k] = processStandIn(platesOf(ink), job.inks);
  return Math.min(1, 0.3 * c + 0.35 * m + 0.1 * y + k);
};

/** The darkest colour leads, the next one accents, the lightest one grounds; where there are none, tints of the first. */
export function housePaints(job: Pick<Job, 'inks'>): HousePaints {
  const colours = job.inks.map(({ id }) => id).filter((id) => id !== 'black' && id !== 'paper');
  const dark = [...colours].sort((a, b) => darkness(job, b) - darkness(job, a));
  const [main, second] = dark.filter((id, i) => i === 0 || darkness(job, id) > LIGHT);
  const first = main ?? 'black';
  const lightest = dark.filter((id) => id !== first && darkness(job, id) <= LIGHT).at(-1);
  return {
    main: { ink: first, tint: 1 },
    accent: second ? { ink: second, tint: 1 } : { ink: first, tint: TINTS.accent },
    light: lightest ? { ink: lightest, tint: 1 } : { ink: first, tint: TINTS.light },
    paper: PAPER,
  };
}

/** The same for a shop: what prints no tints gets solids, and paper in the place of a light ground. */
export function shopPaints(job: Job, { limits: { tint } }: ShopSpec): HousePaints {
  const paints = housePaints(job);
  const holds = ({ tint: share }: Paint): boolean => share === 1 || (share >= tint.least && share <= tint.most);
  return {
    ...paints,
    accent: holds(paints.accent) ? paints.accent : { ...paints.accent, tint: 1 },
    light: holds(paints.light) ? paints.light : PAPER,
  };
}

/** What text lies on. */
export type Ground = 'paper' | 'light' | 'main' | 'accent';

const dark = (job: Job, { ink, tint }: Paint): number => (ink === 'paper' ? 0 : darkness(job, ink) * tint);

/** The first of some paints that stands out of a ground; black or paper, whichever is further off, where none does. */
export function readableOn(job: Job, ground: Paint, wanted: readonly Paint[]): Paint {
  const below = dark(job, ground);
  const off = (paint: Paint): number => Math.abs(dark(job, paint) - below);
  return wanted.find((paint) => off(paint) >= APART) ?? (off(BLACK) > off(PAPER) ? BLACK : PAPER);
}

/** How many plates a paint prints from. */
export const platesIn = ({ inks }: Pick<Job, 'inks'>, { ink, tint }: Paint): number => {
  const found = inks.find(({ id }) => id === ink);
  return found ? Object.values(platesOf(found, tint)).filter((amount) => amount > 0).length : 0;
};

/** What a role is set in until the house says otherwise. */
export const TYPEFACES: Readonly<Record<Role, string>> = {
  heading: 'source-serif-4/semibold',
  text: 'source-sans-3/regular',
  accent: 'source-serif-4/italic',
};
