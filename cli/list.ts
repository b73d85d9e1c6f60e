import { pieceFacts } from '../core/checks/piece-facts';
import { unpackJobFile } from '../core/files/unpack-job';
import { formatSize, fromPoints } from '../core/units/length';
import type { Command } from './command';
import { readGiven } from './given';

const millimetres = (points: number): number => Math.round(fromPoints(points, 'mm') * 1000) / 1000;

export const list: Command = {
  help: `list JOB.tidyedge [--json]   names the pieces: id, kind, finished size, faces, plates`,
  options: { json: { type: 'boolean' } },
  async run(path, { json }) {
    const { job } = unpackJobFile(readGiven(path));
    const pieces = job.pieces.map((piece) => ({
      id: piece.id,
      name: piece.name,
      kind: piece.kind,
      trim_mm: [millimetres(piece.width), millimetres(piece.height)],
      faces: piece.faces.map((face) => face.name),
      plates: pieceFacts(job, piece).plates,
    }));
    if (json) console.log(JSON.stringify({ pieces }, null, 1));
    else
      job.pieces.forEach((piece, i) => {
        const { id, name, kind, faces, plates } = pieces[i]!;
        console.log(
          `${id}  ${name}  (${kind}, ${formatSize(piece.width, piece.height, piece.unit)})  faces: ${faces.join(', ')}  plates: ${plates.join(', ') || 'none'}`,
        );
      });
    return 0;
  },
};
