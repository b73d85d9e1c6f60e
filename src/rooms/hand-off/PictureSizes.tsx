import { pictureSizes } from '../../../core/files/hand-off/picture-sizes';
import { pieceOf } from '../../../core/job/find';
import type { Job, Piece } from '../../../core/job/schema';
import type { Written } from '../../../workers/write-work';

export const kB = (bytes: number): string => `${Math.ceil(bytes / 1000).toLocaleString('en')} kB`;

const PACKED: Readonly<Record<string, string>> = { FlateDecode: 'lossless', DCTDecode: 'JPEG' };
const sum = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0);

/** The pictures that a file was made from, and what lies of each in it. */
export function PictureSizes({
  job,
  file,
  sizes,
}: {
  job: Job;
  file: Written;
  sizes: Readonly<Record<string, number>>;
}) {
  const piece = file.as ?? pieceOf(job, file.piece);
  const all = piece && pictureSizes(job, piece, file.as ? {} : file.asked, file.facts, sizes);
  if (!all) return piece ? <InSum piece={piece} file={file} sizes={sizes} /> : null;
  if (all.length === 0) return null;
  return (
    <table className="table table-xs text-[13.5px]" aria-label="Pictures in the file">
      <thead>
        <tr>
          <th>Picture</th>
          <th>As it came</th>
          <th>In the file</th>
        </tr>
      </thead>
      <tbody>
        {all.map(({ asset, name, before, after }) => (
          <tr key={`${asset} ${after.width} ${after.bytes}`}>
            <th scope="row" className="font-normal">
              {name}
            </th>
            <td>
              {before.width} × {before.height}, {kB(before.bytes)}
            </td>
            <td>
              {after.width} × {after.height}, {Math.round(after.ppi)} ppi, {PACKED[after.packed] ?? after.packed},{' '}
              {kB(after.bytes)}
            </td>
          </tr>
        ))}
        {all.length > 1 && (
          <tr>
            <th scope="row">Together</th>
            <td>{kB(sum([...new Map(all.map(({ asset, before }) => [asset, before.bytes])).values()]))}</td>
            <td>{kB(sum(all.map(({ after }) => after.bytes)))}</td>
          </tr>
        )}
      </tbody>
    </table>
  );
}

/** Flattened pictures are not told from one another any more. */
function InSum({ piece, file, sizes }: { piece: Piece; file: Written; sizes: Readonly<Record<string, number>> }) {
  const used = new Set(
    piece.faces.flatMap(({ elements }) => elements.flatMap((e) => (e.kind === 'picture' ? [e.asset] : []))),
  );
  const inside = new Set(file.facts.pages.flatMap(({ pictures }) => pictures.map(({ bytes }) => bytes)));
  if (used.size === 0) return null;
  return (
    <p className="quiet text-[13px]">
      Pictures: {kB(sum([...used].map((hash) => sizes[hash] ?? 0)))} as they came, {kB(sum([...inside]))} in the file,
      with what was flattened.
    </p>
  );
}
