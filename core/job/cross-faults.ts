import { isSpotName } from '../colour/ink';
import { paintsOf, type Words } from './element';
import { finishPlate } from './finishing';
import type { Face, Job, Piece } from './schema';

/**
 * What the parts of a job say of one another and does not hold: an id used twice, an ink that is missing. A line each,
 * in words. In time with the size of the job, since it is asked of every edit.
 */
export const crossFaults = (job: Job): string[] => [
  ...idFaults(job),
  ...inkFaults(job),
  ...job.pieces.flatMap(pieceFaults),
  ...job.pieces.flatMap((piece) => piece.faces.flatMap(faceFaults)),
  ...job.pieces.flatMap((piece) => finishFaults(job, piece)),
  ...referenceFaults(job),
];

function repeated(values: Iterable<string>): string | undefined {
  const seen = new Set<string>();
  for (const value of values) {
    if (seen.has(value)) return value;
    seen.add(value);
  }
  return undefined;
}

const ids = (all: readonly { id: string }[]): string[] => all.map(({ id }) => id);

function idFaults(job: Job): string[] {
  const faces = job.pieces.flatMap((p) => p.faces);
  const twin = repeated([
    ...ids(job.pieces),
    ...ids(faces),
    ...faces.flatMap((face) => ids(face.groups ?? [])),
    ...faces.flatMap((face) => ids(face.elements)),
  ]);
  const lists = [
    ['ink', job.inks],
    ['style', job.styles],
    ['logo', job.logos],
    ['person', job.people],
    ['shop', job.shops],
    ['table', job.tables],
  ] as const;
  return [
    ...(twin === undefined ? [] : [`the id ${twin} is used twice`]),
    ...lists.flatMap(([what, list]) => {
      const again = repeated(ids(list));
      return again === undefined ? [] : [`the ${what} ${again} is there twice`];
    }),
  ];
}

function inkFaults(job: Job): string[] {
  const inks = new Set(ids(job.inks));
  const elements = [
    ...job.pieces.flatMap((p) => p.faces.flatMap((f) => f.elements)),
    ...job.logos.flatMap((logo) => logo.elements),
  ];
  const named = new Set<string>(job.pieces.flatMap((piece) => piece.printedWith?.inks ?? []));
  for (const element of elements) for (const { ink } of paintsOf(element)) named.add(ink);
  for (const style of job.styles) named.add(style.lettering.paint.ink);
  return [
    ...job.inks.flatMap((ink) =>
      ink.kind === 'spot' && !isSpotName(ink.name) ? [`${ink.name} cannot name a spot ink`] : [],
    ),
    ...[...named].flatMap((ink) => (inks.has(ink) ? [] : [`the ink ${ink} is missing`])),
  ];
}

function pieceFaults(piece: Piece): string[] {
  const lost = piece.post && !piece.faces.some((face) => face.id === piece.post!.face) ? piece.post.face : undefined;
  const words = piece.faces.flatMap((f) => f.elements.filter((e): e is Words => e.kind === 'words'));
  return [
    ...(lost === undefined ? [] : [`the address side ${lost} is not in its piece`]),
    ...(words.some((each) => each.next) ? flowFaults(words) : []),
  ];
}

/** Finishes of a piece have plates of their own, and elements belong to those that are there. */
function finishFaults({ inks }: Job, { name, finishing = [], faces }: Piece): string[] {
  const here = new Set(ids(finishing));
  const twin = repeated(ids(finishing)) ?? repeated(finishing.map(finishPlate));
  const spots = new Set(inks.flatMap((ink) => (ink.kind === 'spot' ? [ink.name] : [])));
  const taken = finishing.map(finishPlate).find((plate) => spots.has(plate));
  const lost = faces.flatMap((face) => face.elements.map((e) => e.finish)).find((id) => id && !here.has(id));
  return [
    ...(twin === undefined ? [] : [`${name} has two finishes called ${twin}`]),
    ...(taken === undefined ? [] : [`a finish of ${name} has the name of the ink ${taken}`]),
    ...(lost === undefined ? [] : [`${name} has no finish ${lost}`]),
  ];
}

/** Words that go on in other frames: each frame has one way in at most, and nothing comes back to itself. */
function flowFaults(words: readonly Words[]): string[] {
  const byId = new Map(words.map((each) => [each.id, each]));
  const going = words.flatMap((w) => w.next ?? []);
  const faults = going.flatMap((next) =>
    byId.has(next) ? [] : [`words go on in ${next}, which is not in their piece`],
  );
  const taken = repeated(going);
  if (taken) return [...faults, `words go on in ${taken} from two frames`];
  // With at most one way into each frame, only a ring has no beginning.
  const entered = new Set(going);
  const reached = new Set<string>();
  for (const head of words)
    if (!entered.has(head.id))
      for (let at: string | undefined = head.id; at && !reached.has(at); at = byId.get(at)?.next) reached.add(at);
  const ring = words.find((w) => w.next && !reached.has(w.id));
  return ring ? [...faults, `words that go on from ${ring.id} come back to it`] : faults;
}

function faceFaults(face: Face): string[] {
  const groups = new Map((face.groups ?? []).map((g) => [g.id, g.group]));
  const elements = new Map(face.elements.map((e) => [e.id, e]));
  const faults: string[] = [];
  for (const { id: member, group } of [...face.elements, ...(face.groups ?? [])])
    if (group && !groups.has(group)) faults.push(`${member} belongs to the group ${group}, which is not on its face`);
  const fine = new Set<string>();
  for (const start of groups.keys()) {
    const seen = new Set<string>();
    let at: string | undefined = start;
    while (at && !fine.has(at) && !seen.has(at)) {
      seen.add(at);
      at = groups.get(at);
    }
    if (at && seen.has(at)) faults.push(`the group ${at} lies in itself`);
    for (const each of seen) fine.add(each);
  }
  for (const element of face.elements)
    if (element.kind === 'words' && element.path?.along.kind === 'element') {
      const { id: wanted } = element.path.along;
      const line = elements.get(wanted);
      if (!line || line.kind === 'words') faults.push(`${element.id} stands on ${wanted}, which is not on its face`);
    }
  return faults;
}

function referenceFaults(job: Job): string[] {
  const faces = job.pieces.flatMap((p) => p.faces);
  const styles = new Set(ids(job.styles));
  const tables = new Set(ids(job.tables));
  const faults = [
    ...faces.flatMap(({ name, underlay }) =>
      underlay && !job.assets[underlay.asset] ? [`the underlay of ${name} is missing`] : [],
    ),
    ...job.people.flatMap(({ name, picture }) =>
      picture && !job.assets[picture] ? [`the picture of ${name} is missing`] : [],
    ),
  ];
  for (const { name, columns } of job.tables) {
    const again = repeated(columns.map(({ key }) => key));
    if (again !== undefined) faults.push(`the column ${again} is twice in the table ${name}`);
  }
  for (const { run } of job.pieces) if (run && !tables.has(run.table)) faults.push(`the table ${run.table} is missing`);
  for (const { name, pictures } of job.tables)
    for (const [file, hash] of Object.entries(pictures))
      if (!job.assets[hash]) faults.push(`the picture ${file} of the table ${name} is missing`);
  for (const list of [...faces, ...job.logos])
    for (const element of list.elements) {
      if (element.kind === 'picture' && !job.assets[element.asset])
        faults.push(`the picture of ${element.id} is missing`);
      if (element.kind === 'words' && element.style && !styles.has(element.style))
        faults.push(`the style ${element.style} is missing`);
    }
  return faults;
}
