import { sheetPanels } from '../../../../core/job/folds-of';
import type { FoldMade } from '../../../../core/job/kinds';
import type { Face, Piece } from '../../../../core/job/schema';
import { ontoSheet } from '../../../../core/job/turned';
import { heldFaces } from '../../../../core/scene/finishing';
import { type FoldedView, foldedViews } from '../../../../core/trade/folds';
import { useBench, usePrinted } from '../../../bench/bench';
import { FaceArt } from '../../../bench/FaceArt';
import { Dialog } from '../../../parts/Dialog';

/** The room that all views share, in pixels. */
const ROOM = { width: 300, height: 250 };

/** The piece as one holds it: closed, opened step by step, and from behind. */
export function FoldedDialog({ piece, fold, onClose }: { piece: Piece; fold: FoldMade; onClose(): void }) {
  const { sources } = useBench();
  const faces = heldFaces(piece, sources);
  const scale = Math.min(ROOM.width / piece.width, ROOM.height / piece.height);
  return (
    <Dialog wide title={`${piece.name}, folded`} onClose={onClose}>
      <ol className="flex flex-wrap items-end gap-6 rounded bg-[var(--table)] p-5" aria-label="As it is opened">
        {foldedViews(fold, piece).map((view) => (
          <li key={view.says} className="grid gap-1.5 text-[var(--table-text)]">
            <Folded view={view} piece={piece} faces={faces} scale={scale} />
            <span className="text-[14px]">{view.says}</span>
          </li>
        ))}
      </ol>
    </Dialog>
  );
}

function Folded({
  view,
  piece,
  faces,
  scale,
}: {
  view: FoldedView;
  piece: Piece;
  faces: readonly Face[];
  scale: number;
}) {
  const { sources, press } = useBench();
  const { previews } = usePrinted();
  const shown = view.seen.map(({ side, panel, at, isOver }) => {
    const face = faces[side === 'outside' ? 0 : 1];
    const panels = sheetPanels(piece, piece.faces[side === 'outside' ? 0 : 1] ?? { id: '' });
    // As it lies on its sheet: an inside that is reached by turning top to bottom comes out upside down.
    const onto = face && ontoSheet(piece, face)?.matrix;
    const { name, ...box } = panels[panel]!;
    return { key: `${side} ${panel}`, face, at, isOver, onto, name, box };
  });
  const width = Math.max(...shown.map(({ at, box }) => at.x + box.width));
  const height = Math.max(...shown.map(({ at, box }) => at.y + box.height));
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width={width * scale}
      height={height * scale}
      role="img"
      aria-label={`${view.says}: ${shown.map(({ name }) => name).join('; ')}`}
      className="shadow-md"
    >
      {shown.map(({ key, face, at, isOver, onto, box }) => (
        <svg
          key={key}
          {...at}
          width={box.width}
          height={box.height}
          viewBox={`${box.x} ${box.y} ${box.width} ${box.height}`}
          overflow="hidden"
          aria-hidden="true"
        >
          <rect {...box} fill="#fff" />
          {face && (
            <g transform={isOver ? `rotate(180 ${box.x + box.width / 2} ${box.y + box.height / 2})` : undefined}>
              <g transform={onto && `matrix(${onto.join(' ')})`}>
                <FaceArt face={face} sources={sources} press={press} previews={previews} />
              </g>
            </g>
          )}
          <rect {...box} fill="none" stroke="#24221e" strokeOpacity=".35" strokeWidth="1" />
        </svg>
      ))}
    </svg>
  );
}
