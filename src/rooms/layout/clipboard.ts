import { nanoid } from 'nanoid';
import * as z from 'zod';
import { middleOf } from '../../../core/geometry/box';
import { type Copied, pastable, pasteElements } from '../../../core/job/edits/copies';
import { removeElements } from '../../../core/job/edits/elements';
import { mirrorElements } from '../../../core/job/edits/groups';
import { findFace, titleOf } from '../../../core/job/find';
import { membersOf } from '../../../core/job/groups';
import { elementSchema, type Group, groupSchema, type Job } from '../../../core/job/schema';
import { elementFrame } from '../../../core/scene/face';
import { roundIn } from '../../../core/units/length';
import type { Bench } from '../../bench/bench';
import { act, select, useSession } from '../../store/session';

/** What was copied last, and the face it came from. It outlives the room, so that it can be pasted on another piece. */
interface Held {
  from: string;
  elements: Copied;
  /** The groups that are held as a whole. */
  groups: readonly Group[];
}
let held: Held | undefined;
const KEY = 'tidy-edge held';
const storedSchema = z.object({
  job: z.string(),
  from: z.string(),
  elements: z.array(elementSchema),
  groups: z.array(groupSchema),
});

/** A copy pasted where its original is would not be seen: it is laid beside it. */
const beside = ({ unit }: Bench): number => roundIn(unit, 3, 1 / 8);

/** The selection as it is kept with the job, in stack order, with the groups that are selected as a whole. */
function selectionOf({ selection, piece, job, face }: Bench): Held {
  const ids = new Set(selection.map((e) => e.id));
  const faces = job.pieces.find((p) => p.id === piece.id)?.faces ?? [];
  const groups = faces.flatMap((f) =>
    (f.groups ?? []).filter((group) => {
      const members = membersOf(f, group.id);
      return members.length > 0 && members.every((e) => ids.has(e.id));
    }),
  );
  return { from: face.id, elements: faces.flatMap((f) => f.elements).filter((e) => ids.has(e.id)), groups };
}

/** Puts copies on a face; `after` changes them once they lie there. */
function put(
  name: string,
  faceId: string,
  { elements, groups }: Held,
  by: number,
  after: (job: Job, ids: readonly string[]) => Job = (job) => job,
): void {
  const { history } = useSession.getState();
  const here = history ? pastable(history.job, elements) : [];
  if (here.length === 0) return;
  const ids = new Map([...here, ...groups].map(({ id }) => [id, nanoid(10)]));
  const copies = here.map((e) => ids.get(e.id)!);
  act(name, (job) => after(pasteElements(job, faceId, here, ids, { x: by, y: by }, groups), copies));
  select(...copies);
}

export function copySelection(bench: Bench): void {
  held = selectionOf(bench);
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
  if (held) put('Paste', bench.face.id, held, held.from === bench.face.id ? beside(bench) : 0);
}

export const duplicate = (bench: Bench): void => put('Duplicate', bench.face.id, selectionOf(bench), beside(bench));

/** Copies to the next face at the same place, and goes there; mirrored, as if seen through the paper. */
export function copyToOtherFace(bench: Bench, mirrored = false): void {
  const { faces } = bench.piece;
  const at = faces.findIndex((f) => f.id === bench.face.id);
  const next = faces[(at + 1) % faces.length];
  if (!next || next.id === bench.face.id) return;
  const across = (job: Job, ids: readonly string[]): Job => {
    const face = findFace(job, next.id);
    const middles = new Map(
      (face?.elements ?? [])
        .filter((e) => ids.includes(e.id))
        .map((e) => [e.id, middleOf(elementFrame(e, bench.sources))] as const),
    );
    return mirrorElements(job, middles, { x: bench.piece.width / 2, y: 0 }, 'across');
  };
  const name = mirrored ? 'Mirrored copy to the other side' : 'Copy to the other side';
  put(name, next.id, selectionOf(bench), 0, mirrored ? across : undefined);
  bench.setFace(next.id);
}
