import { type Finding, findingKey } from '../checks/check';
import { measuredAndWanted } from '../checks/measure-words';
import type { Review } from '../checks/review';
import { findElement, titleOf } from '../job/find';
import type { Job, Piece } from '../job/schema';
import type { ShopSpec } from '../trade/schema';

/** The one gate that every file passes on its way out, whatever writes it. */

/** What is to leave: some faces of a piece, all where they are left out. */
export interface Going {
  job: Job;
  piece: Piece;
  faces?: readonly number[] | undefined;
  /** Who prints it, where that is not the piece's own shop. */
  shop?: ShopSpec | undefined;
}

/** Something that keeps a file from leaving. */
export interface Stop {
  /** The id of the piece. */
  piece: string;
  /** One sentence that names it. */
  says: string;
  /**
   * What an open error is known by, with the value that was measured: whoever lets it go lets go of just that. What is
   * missing or could not be looked at has none: nobody can let it go.
   */
  key?: string;
}

/** Values are the same to four figures: what was let go is measured again each time. */
const keyOf = (piece: Piece, finding: Finding): string =>
  `${piece.id} ${findingKey(finding)} ${finding.measured.value.toPrecision(4)}`;

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

function sentence(job: Job, piece: Piece, finding: Finding): string {
  const element = findElement(job, finding.element)?.element;
  const face = piece.faces.find(({ id }) => id === finding.face)?.name;
  const where = [piece.name, face, element && titleOf(element, job.assets)].filter(Boolean).join(', ');
  const numbers = measuredAndWanted(finding, piece.unit);
  return `${where}: ${capital(finding.problem)}${numbers ? ` (${numbers})` : ''}.`;
}

/** What keeps something from leaving, by how its piece stands. */
export function stopsOf({ job, piece, faces }: Going, { open, unread }: Review): Stop[] {
  const going = new Set(piece.faces.flatMap(({ id }, i) => ((faces?.includes(i) ?? true) ? [id] : [])));
  return [
    ...unread
      .filter(({ face }) => face === undefined || going.has(face))
      .map(({ says }) => ({ piece: piece.id, says })),
    ...open
      .filter(({ severity, face }) => severity === 'stop' && going.has(face))
      .map((finding) => ({ piece: piece.id, key: keyOf(piece, finding), says: sentence(job, piece, finding) })),
  ];
}

/** Files that may not leave; its message says why, a sentence each. */
export class GateError extends Error {
  override name = 'GateError';
  constructor(readonly stops: readonly Stop[]) {
    super([...new Set(stops.map(({ says }) => says))].join('\n'));
  }
}

/** Errors that are let go: those with these keys, or every one that is found. */
export type LetGo = readonly string[] | 'all errors';

/** Lets files through, with the errors that were let go; throws GateError where anything else stops them. */
export function passGate(stops: readonly Stop[], letGo: LetGo): Stop[] {
  const isGone = ({ key }: Stop): boolean => key !== undefined && (letGo === 'all errors' || letGo.includes(key));
  const held = stops.filter((stop) => !isGone(stop));
  if (held.length > 0) throw new GateError(held);
  return [...stops];
}
