import type { FirmDetail } from '../core/job/details';
import { addPerson, setFirmDetail, setRole } from '../core/job/edits/house';
import { keepLogo } from '../core/job/edits/logos';
import { makeShape } from '../core/job/make';
import type { Job } from '../core/job/schema';
import { toPoints } from '../core/units/length';

/** The house of the demo firm: its facts, its people, its logos. Phone numbers are of the block kept for fiction. */

const FIRM: Readonly<Partial<Record<FirmDetail, string>>> = {
  name: 'Hollin & Fen',
  line: 'Tea garden and plant nursery',
  street: 'Fen Lane',
  town: 'Little Hollin',
  postcode: 'LH4 2QT',
  phone: '01632 960 110',
  mail: 'garden@hollinandfen.example',
  web: 'hollinandfen.example',
  handle: '@hollinandfen',
  registration: 'Registered in England, no. 00960118',
};

const PEOPLE = [
  ['iris', 'Iris Calloway', 'Head gardener', '01632 960 118'],
  ['tomas', 'Tomás Abara', 'Tea room', '01632 960 121'],
  ['wren', 'Wren Ashdown', 'Seeds and propagation', '01632 960 122'],
  ['ottilie', 'Ottilie Marsh', 'Planting design', ''],
  ['ned', 'Ned Fairley', 'Deliveries', '01632 960 124'],
  ['sunniva', 'Sunniva Holt-Okafor', 'Accounts', '01632 960 125'],
] as const;

export function buildHouse(start: Job, fern: { outline: string; ratio: number }): Job {
  let job = start;
  for (const [detail, value] of Object.entries(FIRM)) job = setFirmDetail(job, detail as FirmDetail, value);
  for (const [id, name, title, direct] of PEOPLE)
    job = addPerson(job, { id, name, title, direct, mail: `${id}@hollinandfen.example` });
  job = setRole(job, 'heading', 'cormorant-garamond/semibold');
  job = setRole(job, 'text', 'source-sans-3/regular');
  job = setRole(job, 'accent', 'cormorant-garamond/italic');
  const width = toPoints(18, 'mm');
  const box = { x: 0, y: 0, width, height: width * fern.ratio };
  const mark = (ink: string) =>
    makeShape({ id: `fern-${ink}`, name: 'Fern', outline: fern.outline, ...box, paint: { ink, tint: 1 } });
  for (const [id, name, use, ink] of [
    ['fern-colour', 'Fern', 'full colour', 'fen'],
    ['fern-one', 'Fern, one ink', 'one ink', 'black'],
    ['fern-reversed', 'Fern, reversed', 'reversed', 'oat'],
  ] as const)
    job = keepLogo(job, [mark(ink)], box, { id, name, use });
  return job;
}
