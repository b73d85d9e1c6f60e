import { pieceOf } from '../../job/find';
import { finishesUsed, finishPlate } from '../../job/finishing';
import type { Job, Piece } from '../../job/schema';
import { shopIn } from '../../job/shops-of';
import type { ShopSpec } from '../../trade/schema';
import { exportName, plainName, unlike } from '../file-names';
import type { PdfAsked } from '../pdf/asked';
import { type HandOffSettings, pdfAsked, settled } from './settings';

/** A letter that is handed over, and which of its pages; all of them where they are left out. */
export interface ChosenLetter {
  id: string;
  pages?: readonly number[] | undefined;
}

/** A piece that is handed over, and which of its faces; all of them where they are left out. */
export interface Chosen {
  piece: string;
  faces?: readonly number[] | undefined;
  /** Letters written on it that go too: all in one file. */
  letters?: readonly ChosenLetter[] | undefined;
}

/** A file that is to be written. */
export interface PlannedFile {
  name: string;
  piece: string;
  asked: PdfAsked;
  /** The letters whose pages it has, instead of the faces of its piece. */
  letters?: readonly ChosenLetter[];
}

/** One file for all faces, or one for each: faces by number, and what the file is named by. */
function parts(piece: Piece, faces: readonly number[] | undefined, { files }: HandOffSettings) {
  const all = faces ?? piece.faces.map((_, i) => i);
  return files === 'one' || all.length === 1 ? [all] : all.map((face) => [face]);
}

/** Letters are printed in the office: nothing runs past the trim, and nothing is cut. */
export const inTheOffice = (shop: ShopSpec, kind: Piece['kind']): ShopSpec => ({
  ...shop,
  bleed: { ...shop.bleed, [kind]: 0 },
});

/** The files that a choice of pieces becomes, each by its own shop's wishes but for what was changed. */
export function plannedFiles(
  job: Job,
  chosen: readonly Chosen[],
  changes: Partial<HandOffSettings>,
  version: number,
): PlannedFile[] {
  const taken = new Set<string>();
  return chosen.flatMap(({ piece: id, faces, letters = [] }): PlannedFile[] => {
    const piece = pieceOf(job, id);
    if (!piece) return [];
    const shop = shopIn(job, piece.shop);
    const settings = settled(shop, changes);
    const ofFaces = faces?.length === 0 ? [] : parts(piece, faces, settings);
    const files = ofFaces.map((part): PlannedFile => {
      const face = part.length === 1 && piece.faces.length > 1 ? piece.faces[part[0]!] : undefined;
      const pattern = face && !settings.fileName.includes('{face}') ? `${settings.fileName}-{face}` : settings.fileName;
      const sheet = settings.office === 'its own' ? '' : `-${settings.office.toLowerCase()}`;
      const name = unlike(`${exportName(pattern, job, piece, face, version)}${sheet}`, taken);
      return { name: `${name}.pdf`, piece: id, asked: pdfAsked(id, shop, settings, part) };
    });
    // A finish has a file of its own where the shop wants it so.
    const onSides = faces ?? piece.faces.map((_, i) => i);
    const apart = settings.finishing === 'files' && onSides.length > 0 ? finishesUsed(piece, onSides) : [];
    for (const finish of apart) {
      const plate = plainName(finishPlate(finish)) || finish.id;
      const name = unlike(`${exportName(settings.fileName, job, piece, undefined, version)}-${plate}`, taken);
      const asked = { ...pdfAsked(id, shop, settings, onSides), finishing: { only: finish.id } };
      files.push({ name: `${name}.pdf`, piece: id, asked });
    }
    if (letters.length === 0) return files;
    const office = inTheOffice(shop, piece.kind);
    const name = unlike(exportName('{client}-{piece}-letters', job, piece, undefined, version), taken);
    const asked = { ...pdfAsked(id, office, { ...settings, marks: false, also: [] }) };
    return [...files, { name: `${name}.pdf`, piece: id, asked, letters }];
  });
}
