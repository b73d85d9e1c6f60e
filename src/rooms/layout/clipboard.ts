import { nanoid } from 'nanoid';
import { z } from 'zod';
import { type Copied, pastable, pasteElements } from '../../../core/job/edits/copies';
import { removeElements } from '../../../core/job/edits/elements';
import { titleOf } from '../../../core/job/find';
import { elementSchema } from '../../../core/job/schema';
import { toPoints } from '../../../core/units/length';
import { act, select, useSession } from '../../store/session';
import type { Bench } from './bench';

/** What was copied last, and the face it came from. It outlives the room, so that it can be pasted on another piece. */
let held: { from: string; elements: Copied } | undefined;
const KEY = 'tidy-edge held';
const storedSchema = z.object({ job: z.string(), from: z.string(), elements: z.array(elementSchema) });

/** A copy pasted where its original is would not be seen: it is laid beside it. */
const BESIDE = toPoints(3, 'mm');

const keptIds = (elements: Copied): ReadonlyMap<string, string> => new Map(elements.map((e) => [e.id, nanoid(10)]));

/** The selection as it is kept with the job, in stack order. */
function selectionOf({ selection, piece, job }: Bench): Copied {
  const ids = new Set(selection.map((e) => e.id));
  const kept = job.pieces.find((p) => p.id === piece.id);
  return kept?.faces.flatMap((f) => f.elements).filter((e) => ids.has(e.id)) ?? [];
}

function put(name: string, faceId: string, elements: Copied, by: number): void {
  const { history } = useSession.getState();
  const here = history ? pastable(history.job, elements) : [];
  if (here.length === 0) return;
  const ids = keptIds(here);
  act(name, (job) => pasteElements(job, faceId, here, ids, { x: by, y: by }));
  select(...ids.values());
}

export function copySelection(bench: Bench): void {
  held = { from: bench.face.id, elements: selectionOf(bench) };
  // Another piece is another page: what is held goes along in the tab.
  // Files that were copied elsewhere before are not what the next paste means.
  void navigator.clipboard
    ?.writeText(bench.selection.map((e) => titleOf(e, bench.job.assets)).join('\n'))
    .catch(() => {});
  sessionStorage.setItem(KEY, JSON.stringify({ job: bench.job.id, ...held }));
}

export function cutSelection(bench: Bench): void {
  copySelection(bench);
  const ids = bench.selection.map((e) => e.id);
  act('Cut', (job) => removeElements(job, ids));
  select();
}

/** Pastes at the same place; on the face it came from, a little beside. */
export function paste(bench: Bench): void {
  if (!held) {
    const stored = storedSchema.safeParse(JSON.parse(sessionStorage.getItem(KEY) ?? 'null'));
    if (stored.success && stored.data.job === bench.job.id) held = stored.data;
  }
  if (held) put('Paste', bench.face.id, held.elements, held.from === bench.face.id ? BESIDE : 0);
}

export const duplicate = (bench: Bench): void => put('Duplicate', bench.face.id, selectionOf(bench), BESIDE);

/** Copies to the next face at the same place, and goes there. */
export function copyToOtherFace(bench: Bench): void {
  const { faces } = bench.piece;
  const at = faces.findIndex((f) => f.id === bench.face.id);
  const next = faces[(at + 1) % faces.length];
  if (!next || next.id === bench.face.id) return;
  put('Copy to the other face', next.id, selectionOf(bench), 0);
  bench.setFace(next.id);
}
