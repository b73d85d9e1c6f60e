import { ALL_CHECKS } from '../checks';
import type { Finding } from '../checks/check';
import { measuredAndWanted } from '../checks/measure-words';
import type { Review } from '../checks/review';
import { pngUrl } from '../devices/tone-png';
import { findElement, titleOf } from '../job/find';
import type { Job, Piece } from '../job/schema';
import type { ShopSpec } from '../trade/schema';
import { sourceWords } from '../trade/source-words';
import { formatSize } from '../units/length';

/** What was found in a piece, to be handed on as data. */

/** A row of the report. */
export interface Told {
  check: string;
  name: string;
  severity: Finding['severity'];
  face: string;
  what: string;
  problem: string;
  measured: string | undefined;
  protects: string;
  source: string;
  /** The place on the face, points from the trim's corner. */
  place: Finding['place'];
  /** Why it is let stand; open where it is left out. */
  accepted?: { reason: string; at: string };
}

/** PNG bytes of a place, by the row they belong to. */
export type Pictures = ReadonlyMap<Told, Uint8Array>;

export interface Report {
  job: string;
  piece: string;
  size: string;
  shop: string;
  /** The job's state that was looked at, ISO 8601. */
  changed: string;
  /** What could not be looked at, a sentence each. */
  unread: string[];
  rows: Told[];
}

function tell(job: Job, piece: Piece, finding: Finding, accepted?: Told['accepted']): Told {
  const check = ALL_CHECKS.find(({ id }) => id === finding.check);
  const element = findElement(job, finding.element)?.element;
  return {
    check: finding.check,
    name: check?.name ?? finding.check,
    severity: finding.severity,
    face: piece.faces.find(({ id }) => id === finding.face)?.name ?? '',
    what: element ? titleOf(element, job.assets) : 'The side',
    problem: finding.problem,
    measured: measuredAndWanted(finding, piece.unit),
    protects: finding.rule ?? check?.protects ?? '',
    source: check ? sourceWords(check.source) : '',
    place: finding.place,
    ...(accepted ? { accepted } : {}),
  };
}

/** All that was found in a piece, the open ones first. */
export const reportOf = (job: Job, piece: Piece, shop: ShopSpec, { open, standing, unread }: Review): Report => ({
  job: job.name,
  piece: piece.name,
  size: formatSize(piece.width, piece.height, piece.unit, 2),
  shop: shop.name,
  changed: job.changed,
  unread: unread.map(({ says }) => says),
  rows: [
    ...open.map((finding) => tell(job, piece, finding)),
    ...standing.map(({ finding, accepted: { reason, at } }) => tell(job, piece, finding, { reason, at })),
  ],
});

/** The report as JSON; pictures as data addresses. */
export const reportJson = (report: Report, pictures: Pictures): string =>
  `${JSON.stringify(
    {
      ...report,
      rows: report.rows.map((row) => {
        const picture = pictures.get(row);
        return { ...row, ...(picture ? { picture: pngUrl(picture) } : {}) };
      }),
    },
    null,
    1,
  )}\n`;
