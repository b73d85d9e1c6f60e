import { type Accepted, MOST_OF } from '../job/accepted';
import type { Job, Piece } from '../job/schema';
import type { Finding } from './check';

/** A finding that stands, and why. */
export interface Standing {
  finding: Finding;
  accepted: Accepted;
}

/** Values nearer than this share are the same: what was accepted is measured again each time. */
const SAME = 0.005;

const isAccepted = (finding: Finding, accepted: Accepted): boolean =>
  canStand(finding) &&
  accepted.check === finding.check &&
  accepted.element === finding.element &&
  accepted.of === finding.of?.slice(0, MOST_OF) &&
  Math.abs(accepted.measured - finding.measured.value) <= SAME * Math.max(1, Math.abs(accepted.measured));

/** Findings that are open, and those that somebody let stand; what has changed since it was accepted is open again. */
export function letStand(
  findings: readonly Finding[],
  { accepted }: Pick<Job, 'accepted'>,
  { id }: Pick<Piece, 'id'>,
): { open: Finding[]; standing: Standing[] } {
  const here = accepted.filter(({ piece }) => piece === id);
  if (here.length === 0) return { open: [...findings], standing: [] };
  const standing: Standing[] = [];
  const open = findings.filter((finding) => {
    const found = here.find((each) => isAccepted(finding, each));
    if (found) standing.push({ finding, accepted: found });
    return !found;
  });
  return { open, standing };
}

/** Whether a finding can be accepted: a file that is missing cannot be printed, whatever anyone says. */
export const canStand = ({ check }: Finding): boolean => check !== 'missing-picture' && check !== 'missing-typeface';

/** What is kept of a finding that is let stand. */
export const acceptance = (finding: Finding, piece: string, reason: string, at: string): Accepted => ({
  piece,
  check: finding.check,
  element: finding.element,
  ...(finding.of === undefined ? {} : { of: finding.of.slice(0, MOST_OF) }),
  measured: finding.measured.value,
  reason: reason.trim().slice(0, 400),
  at,
});
