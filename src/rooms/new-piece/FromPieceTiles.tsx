import { useMemo } from 'react';
import type { PieceAsked } from '../../../core/job/make';
import { pressConditionOf } from '../../../core/job/press-of';
import type { Job, Piece } from '../../../core/job/schema';
import { shopIn } from '../../../core/job/shops-of';
import { beginFrom } from '../../../core/starters/from-piece';
import type { Kit } from '../../../workers/kit';
import { useFonts } from '../../bench/use-fonts';
import { usePreviews } from '../../bench/use-previews';
import { BegunFaces } from './BegunFaces';
import { Tile } from './Tile';

/** How a beginning from another piece is chosen. */
export const fromPiece = (id: string): string => `piece ${id}`;

/** The other pieces of the job, each as the new one would begin from it. */
export function FromPieceTiles({
  job,
  kit,
  asked,
  chosen,
  onChoose,
}: {
  job: Job;
  kit: Kit;
  asked: PieceAsked;
  chosen: string | undefined;
  onChoose(id: string): void;
}) {
  return job.pieces.map((piece) => (
    <FromPieceTile
      key={piece.id}
      {...{ job, kit, asked, piece }}
      chosen={chosen === fromPiece(piece.id)}
      onChoose={() => onChoose(fromPiece(piece.id))}
    />
  ));
}

function FromPieceTile({
  job,
  kit,
  asked,
  piece,
  chosen,
  onChoose,
}: {
  job: Job;
  kit: Kit;
  asked: PieceAsked;
  piece: Piece;
  chosen: boolean;
  onChoose(): void;
}) {
  const here = useFonts(job);
  const { kind, width, height, unit, shop, faces } = asked;
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is asked is told whole by its parts; a name changes no drawing
  const made = useMemo(() => {
    if (!here) return undefined;
    let n = 0;
    return beginFrom(job, { ...asked, id: 'look' }, piece, () => `from-${++n}`, kit.fonts);
  }, [here, job, kit, piece, kind, width, height, unit, shop, faces]);
  const condition = useMemo(() => pressConditionOf(job, shopIn(job, shop)), [job, shop]);
  const previews = usePreviews(made, condition);
  return (
    <Tile
      name={`From ${piece.name}`}
      says={piece.kind === kind ? 'All that is on it, at this size.' : 'Its logo, details and accents.'}
      chosen={chosen}
      onChoose={onChoose}
    >
      {made && <BegunFaces job={made} kit={kit} press={kit.press(condition)} previews={previews} />}
    </Tile>
  );
}
