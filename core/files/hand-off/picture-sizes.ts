import type { Job, Piece } from '../../job/schema';
import type { PdfAsked } from '../pdf/asked';
import type { PictureDrawn } from '../pdf/page-read';
import type { PdfFacts } from '../pdf/read-back';

/** A picture as it came and as it lies in the file. */
export interface PictureSize {
  asset: string;
  name: string;
  /** Pixels and bytes as it came. */
  before: { width: number; height: number; bytes: number };
  after: PictureDrawn;
}

/**
 * The pictures of a written file beside those they were made from, each once as it is packed. Pictures lie in a page in
 * the order of its face; where flattening made others of them, undefined. `sizes` are the bytes of assets by their hashes.
 */
export function pictureSizes(
  job: Job,
  piece: Piece,
  { faces = piece.faces.map((_, i) => i) }: Pick<PdfAsked, 'faces'>,
  facts: PdfFacts,
  sizes: Readonly<Record<string, number>>,
): PictureSize[] | undefined {
  const found = new Map<string, PictureSize>();
  for (const [i, n] of faces.entries()) {
    const placed = (piece.faces[n]?.elements ?? []).flatMap((e) =>
      e.kind === 'picture' && !e.hidden && !e.sample && job.assets[e.asset] && !job.assets[e.asset]!.page
        ? [e.asset]
        : [],
    );
    // A single pixel is the colour of a shadow.
    const drawn = (facts.pages[i]?.pictures ?? []).filter(({ width, height }) => width * height > 1);
    if (placed.length !== drawn.length || drawn.some(({ patch }) => patch)) return undefined;
    for (const [k, hash] of placed.entries()) {
      const { name, width, height } = job.assets[hash]!;
      const after = drawn[k]!;
      const before = { width, height, bytes: sizes[hash] ?? 0 };
      found.set(`${hash} ${after.width} ${after.bytes}`, { asset: hash, name, before, after });
    }
  }
  return [...found.values()];
}
