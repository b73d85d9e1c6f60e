import { useEffect, useState } from 'react';
import { create } from 'zustand';
import { addFont } from '../../core/job/edits/job';
import type { Job } from '../../core/job/schema';
import { ownTypefaces } from '../../core/type/own-font';
import { intake } from '../../workers/intake';
import { cssFamily } from '../parts/TypefaceFaces';
import { keepAsset } from '../store/assets';
import { act } from '../store/session';
import { fontFile, loadFonts } from './kit';

export const FONT_FILES = '.ttf,.otf,.ttc,.otc,.woff,.woff2';
export const isFontFile = ({ name }: File): boolean => /\.([to]t[fc]|woff2?)$/i.test(name);

/** A collection that came, and the fonts in it by name; `answer` takes the places of those that are wanted. */
export interface Collection {
  file: string;
  fonts: readonly string[];
  answer(wanted: readonly number[]): void;
}
/** The collection that is asked about. */
export const useCollection = create<{ asked: Collection | undefined }>(() => ({ asked: undefined }));

const chosenOf = (file: string, fonts: readonly string[]): Promise<readonly number[]> =>
  new Promise((done) =>
    useCollection.setState({
      asked: {
        file,
        fonts,
        answer: (wanted) => {
          useCollection.setState({ asked: undefined });
          done(wanted);
        },
      },
    }),
  );

/**
 * Takes a font file in: looked over in the worker, kept, then in the list; of a collection, the fonts that are chosen. Gives
 * what their makers ask of whoever uses them, in words. Throws with words for the user.
 */
export async function addFontFile(file: File): Promise<string | undefined> {
  const packed = new Uint8Array(await file.arrayBuffer());
  const fonts = await intake().fontsInFile(packed);
  const wanted = fonts.length > 1 ? await chosenOf(file.name, fonts) : [0];
  const told = new Set<string>();
  for (const which of wanted) {
    const { hash, bytes, font, told: asked } = await intake().takeInFont(packed, which);
    await keepAsset(hash, bytes);
    act('Add typeface', (job) => addFont(job, hash, font));
    if (asked) told.add(asked);
  }
  return told.size > 0 ? `${file.name}: ${[...told].join(' ')}` : undefined;
}

const shown = new Set<string>();

/** Lets the browser show the added typefaces in the list, each in its own face. */
export function useOwnFaces(fonts: Job['fonts']): void {
  const [, setShown] = useState(0);
  useEffect(() => {
    const ids = ownTypefaces(fonts).map((face) => face.id);
    void loadFonts(ids).then(() => {
      for (const id of ids) {
        const bytes = fontFile(id);
        if (!bytes || shown.has(id)) continue;
        shown.add(id);
        document.fonts.add(new FontFace(cssFamily(id), bytes.slice().buffer));
      }
      setShown(shown.size);
    });
  }, [fonts]);
}
