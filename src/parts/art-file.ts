import { type ArtKind, artKind } from '../../core/files/art-in/kind';
import { isPicture } from '../../core/picture/probe';

/** Line art that is taken in, as a chooser of files is told. */
export const ART_KINDS = 'image/svg+xml,.svg,.svgz,application/pdf,.pdf,.ai';

const NAMED = [
  { kind: 'pdf', name: /\.pdf$/i },
  { kind: 'svg', name: /\.svgz?$/i },
] as const;

/** Which line art a file is: by what it holds, and by its name where that says nothing, so that what is damaged is told of as such. */
export async function artKindOf(file: File): Promise<ArtKind | undefined> {
  const head = new Uint8Array(await file.slice(0, 1 << 16).arrayBuffer());
  return artKind(head) ?? (isPicture(head) ? undefined : NAMED.find(({ name }) => name.test(file.name))?.kind);
}
