import { useEffect, useState } from 'react';
import { addFont } from '../../core/job/edits/job';
import type { Job } from '../../core/job/schema';
import { ownTypefaces } from '../../core/type/own-font';
import { intake } from '../../workers/intake';
import { cssFamily } from '../parts/TypefaceFaces';
import { keepAsset } from '../store/assets';
import { act } from '../store/session';
import { fontFile, loadFonts } from './kit';

export const FONT_FILES = '.ttf,.otf,.woff,.woff2';
export const isFontFile = ({ name }: File): boolean => /\.(ttf|otf|woff2?)$/i.test(name);

/** Takes a font file in: looked over in the worker, kept, then in the list. Throws with words for the user. */
export async function addFontFile(file: File): Promise<void> {
  const { hash, bytes, font } = await intake().takeInFont(new Uint8Array(await file.arrayBuffer()));
  await keepAsset(hash, bytes);
  act('Add typeface', (job) => addFont(job, hash, font));
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
