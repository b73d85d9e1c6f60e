import { letteringsOf } from '../job/look';
import { conditionsOf, pressConditionOf } from '../job/press-of';
import type { Face, Job } from '../job/schema';
import type { ShopSpec } from '../trade/schema';
import { ownPart, typefaceIn } from '../type/own-font';

/** What could not be looked at. Nothing leaves while there is any: nobody knows what would be printed. */
export interface Unread {
  what: 'picture' | 'typeface' | 'profile' | 'plates' | 'spelling';
  /** The id of the one face it is about; the whole piece where it is left out. */
  face?: string;
  /** Names it, and says how to mend it. */
  says: string;
}

/** The stored files that are here, by their hashes; all of them where it is left out. */
export type FilesHere = ReadonlySet<string> | undefined;

const isHere = (hash: string, here: FilesHere): boolean => here?.has(hash) ?? true;

function missingPictures(job: Job, face: Face, here: FilesHere): Unread[] {
  const used = new Set(face.elements.flatMap((element) => (element.kind === 'picture' ? [element.asset] : [])));
  return [...used]
    .filter((hash) => !job.assets[hash] || !isHere(hash, here))
    .map((hash) => ({
      what: 'picture',
      face: face.id,
      says: `The picture ${job.assets[hash]?.name ?? `on ${face.name}`} is missing. Import it again, then export.`,
    }));
}

function missingTypefaces(job: Job, face: Face, here: FilesHere): Unread[] {
  const words = face.elements.flatMap((element) => (element.kind === 'words' ? [element] : []));
  const used = new Set(words.flatMap((each) => letteringsOf(each, job.styles).map(({ typeface }) => typeface)));
  return [...used].flatMap((id): Unread[] => {
    const known = typefaceIn(id, job.fonts);
    const own = ownPart(id);
    if (known && (!own || isHere(own.hash, here))) return [];
    const name = known?.family ?? (own ? `of text on ${face.name}` : id);
    return [
      {
        what: 'typeface',
        face: face.id,
        says: `The typeface ${name} is missing. Add it again in Layout or choose another, then export.`,
      },
    ];
  });
}

/** The profile of the press that a shop prints this job with, where it is gone. */
export function missingProfile(job: Job, shop: ShopSpec, here: FilesHere): Unread[] {
  const wanted = job.pressOf[shop.id];
  const condition = pressConditionOf(job, shop);
  const known = wanted === undefined || conditionsOf(job).some(({ id }) => id === wanted);
  if (known && (!(condition.id in job.conditions) || isHere(condition.id, here))) return [];
  const name = known ? condition.name : `that ${shop.name} prints with`;
  return [
    {
      what: 'profile',
      says: `The profile ${name} is missing. Import it again in Inks or choose another press condition, then export.`,
    },
  ];
}

/** The files without which printed faces cannot be drawn as they are. */
export const missingFiles = (job: Job, faces: readonly Face[], here: FilesHere): Unread[] =>
  faces.flatMap((face) => [...missingPictures(job, face, here), ...missingTypefaces(job, face, here)]);
