import { useBench } from '../../../bench/bench';
import { openPanel } from '../../../bench/room';
import { CornerCard } from './CornerCard';
import { EnvelopeCard } from './EnvelopeCard';
import { FoldCard } from './FoldCard';
import { LetterCard } from './LetterCard';
import { PostCard } from './PostCard';

/** What a piece is besides its size: one card for each kind that has more to it. */
export function KindCard() {
  const { sheet: piece } = useBench();
  return (
    <>
      {piece.kind === 'card' && <CornerCard piece={piece} />}
      {piece.kind === 'envelope' && <EnvelopeCard piece={piece} />}
      {piece.kind === 'letterhead' && <LetterCard piece={piece} />}
      {piece.kind === 'flyer' && <FoldCard piece={piece} />}
      {(piece.kind === 'postcard' || piece.kind === 'flyer') && <PostCard piece={piece} />}
      <button
        type="button"
        className="btn btn-sm justify-self-start text-base-content"
        onClick={() => openPanel('fits')}
      >
        Envelopes for it
      </button>
    </>
  );
}
