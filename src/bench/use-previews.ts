import { useCallback, useEffect, useMemo, useSyncExternalStore } from 'react';
import type { Ink } from '../../core/colour/ink';
import type { Job, Piece } from '../../core/job/schema';
import type { Lightness } from '../../core/picture/lightness';
import { LARGE } from '../../core/picture/limits';
import type { ImageRef } from '../../core/scene/device';
import { imagesIn } from '../../core/scene/images';
import type { PressCondition } from '../../core/trade/schema';
import { bytesOf } from '../store/assets';
import { keepPreview, keptPreview } from '../store/kept-previews';
import { pressRoom } from './kit';

/** A picture as the press shows it, or as the screen does until that is known: its address, and how light it is where. */
export interface Preview {
  url: string;
  light?: Lightness | undefined;
}
/** Previews by the key of the separated picture, made once for each and for each press condition. */
export type Previews = ReadonlyMap<string, Preview>;

/** What is shown of each picture by now, by all that its look depends on. The newest at the end. */
const made = new Map<string, Preview>();
/** What is being made. */
const making = new Map<string, Promise<void>>();
/** Addresses of pictures that have long not been asked for are given back: a page holds this many. */
const MOST_MADE = 400;
let listeners: (() => void)[] = [];

function put(all: string, preview: Preview): void {
  const before = made.get(all);
  made.delete(all);
  made.set(all, preview);
  // Whoever shows it has the new address with the next drawing.
  if (before) setTimeout(() => URL.revokeObjectURL(before.url), 5000);
  for (const [old, { url }] of made) {
    if (made.size <= MOST_MADE) break;
    made.delete(old);
    URL.revokeObjectURL(url);
  }
  for (const listener of listeners) listener();
}

/** What a picture on plates of its own looks like depends on what those inks look like. */
const spotsOf = ({ separation, page = [] }: ImageRef, inks: readonly Ink[]): Ink[] => {
  const plates = new Set([...page, ...(separation.inks ?? []).flatMap(Object.keys)]);
  return inks.filter((ink) => ink.kind === 'spot' && plates.has(ink.name));
};

/** The browser draws a picture as it is, at once; what is too large for that, or a page, is made small first, off the page. */
async function firstLook({ asset, width, height, page }: ImageRef): Promise<Blob | undefined> {
  if (page || width * height > LARGE) return pressRoom().firstLook(asset);
  const bytes = await bytesOf(asset);
  return bytes && new Blob([bytes.slice()]);
}

async function make(all: string, image: ImageRef, condition: PressCondition, spots: readonly Ink[]): Promise<void> {
  const kept = await keptPreview(all);
  if (kept) {
    put(all, { url: URL.createObjectURL(kept.image), light: kept.light });
    return;
  }
  const look = await firstLook(image);
  if (!look) return;
  put(all, { url: URL.createObjectURL(look) });
  const { separation } = image;
  const shown = await pressRoom().preview(image.asset, { condition, separation, inks: spots });
  if (!shown) return;
  put(all, { url: URL.createObjectURL(shown.image), light: shown.light });
  await keepPreview(all, image.asset, shown);
}

const keyOf = (key: string, image: ImageRef, condition: PressCondition, inks: readonly Ink[]): string =>
  `${key} ${JSON.stringify([condition, spotsOf(image, inks)])}`;

function ask(all: string, image: ImageRef, condition: PressCondition, inks: readonly Ink[]): void {
  if (made.get(all)?.light || making.has(all)) return;
  const work = make(all, image, condition, spotsOf(image, inks))
    // The picture stays as it was seen last; the next look tries again.
    .catch((error: Error) => console.warn(`A picture could not be shown: ${error.message}`))
    .finally(() => making.delete(all));
  making.set(all, work);
}

const subscribe = (listener: () => void): (() => void) => {
  listeners = [...listeners, listener];
  return () => {
    listeners = listeners.filter((each) => each !== listener);
  };
};

let latest: Previews = new Map();
/** What the room that is shown has of its pictures. */
export const latestPreviews = (): Previews => latest;

/** The pictures of some pieces of a job, as far as they are here. */
export function usePreviews(
  job: Job | undefined,
  condition: PressCondition | undefined,
  pieces: readonly Piece[] = job?.pieces ?? [],
): Previews {
  const assets = job?.assets;
  const inks = job?.inks;
  const logos = job?.logos;
  const wanted = useMemo(
    () =>
      assets && inks && logos
        ? imagesIn([...pieces.flatMap((p) => p.faces), ...logos.map(({ elements }) => ({ elements }))], {
            assets,
            inks,
          })
        : new Map<string, ImageRef>(),
    [pieces, assets, inks, logos],
  );
  // Most edits change none of this.
  const what = JSON.stringify([condition, [...wanted.keys()].sort(), inks?.filter((ink) => ink.kind === 'spot')]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is wanted is told whole by its text
  const keys = useMemo(
    () =>
      condition && inks
        ? [...wanted].map(([key, image]) => ({ key, image, all: keyOf(key, image, condition, inks) }))
        : [],
    [what],
  );
  // biome-ignore lint/correctness/useExhaustiveDependencies: as above
  useEffect(() => {
    if (condition && inks) for (const { image, all } of keys) ask(all, image, condition, inks);
  }, [keys]);
  // Only what has become of these draws anything again, however many others are made meanwhile.
  const shown = useCallback(() => keys.map(({ all }) => made.get(all)?.url ?? '').join(), [keys]);
  const addresses = useSyncExternalStore(subscribe, shown, () => '');
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is here by now is told by its addresses
  const found = useMemo(
    () =>
      new Map(
        keys.flatMap(({ key, all }) => {
          const preview = made.get(all);
          return preview ? [[key, preview] as const] : [];
        }),
      ),
    [keys, addresses],
  );
  latest = found;
  return found;
}
