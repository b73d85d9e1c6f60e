import type { Job } from './schema';
import type { JobFault } from './whole';

/** What lists are called, each in the plural. */
const LISTS: Record<string, string> = {
  pieces: 'pieces in one job',
  faces: 'sides on one piece',
  elements: 'elements on one side',
  groups: 'groups on one side',
  guides: 'guides',
  people: 'people',
  logos: 'logos',
  inks: 'inks',
  styles: 'text styles',
  shops: 'print shop specs',
  accepted: 'accepted findings',
  tables: 'tables in one job',
  columns: 'columns in one table',
  letters: 'letters on one letterhead',
  paragraphs: 'lines of text in one frame',
  spans: 'changes of style in one line',
  stops: 'colours in one gradient',
  words: 'added spelling words',
};

/** What values are called. */
const VALUES: Record<string, string> = {
  text: 'The text',
  outline: 'The outline',
  name: 'The name',
  x: 'The position from the left',
  y: 'The position from the top',
  width: 'The width',
  height: 'The height',
  radius: 'The radius',
  size: 'The type size',
  totalInk: 'The total ink',
  dash: 'The dash',
  reason: 'The reason',
};

const number = (value: number): string => (Math.round(value * 100) / 100).toLocaleString('en');

function what({ path, limit, message }: JobFault): string {
  const keys = path.filter((key): key is string => typeof key === 'string');
  const last = keys.at(-1) ?? '';
  const isList = typeof path.at(-1) === 'string' && LISTS[last];
  if (isList && limit?.most !== undefined) return `There can be at most ${number(limit.most)} ${LISTS[last]}`;
  const value = VALUES[last] ?? `The value “${last}”`;
  const isText = message.includes('string');
  if (limit?.most !== undefined)
    return isText
      ? `${value} can have at most ${number(limit.most)} characters`
      : `${value} can be at most ${number(limit.most)}`;
  if (limit?.least !== undefined)
    return isText ? `${value} cannot be empty` : `${value} has to be at least ${number(limit.least)}`;
  return path.length === 0 ? message.charAt(0).toUpperCase() + message.slice(1) : `${value} is not right: ${message}`;
}

/** The piece and side a fault is in, by name. */
function where(job: Job, path: readonly PropertyKey[]): string {
  if (path[0] !== 'pieces' || typeof path[1] !== 'number') return '';
  const piece = job.pieces[path[1]];
  const face = path[2] === 'faces' && typeof path[3] === 'number' ? piece?.faces?.[path[3]] : undefined;
  return [piece?.name, face?.name].filter(Boolean).join(', ');
}

/** A fault in words: what it is, and where. */
export function faultWords(job: Job, fault: JobFault): string {
  const place = where(job, fault.path);
  return `${what(fault)}${place ? ` (${place})` : ''}.`;
}
