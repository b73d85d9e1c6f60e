import { type ReactNode, useMemo } from 'react';
import { showFor } from '../../../core/job/edits/house';
import { pieceOf } from '../../../core/job/find';
import type { Job } from '../../../core/job/schema';
import type { SheetMade } from '../../../core/job/sheet';
import { ontoSheet } from '../../../core/job/turned';
import { showingMade } from '../../../core/scene/finishing';
import { shownFaces } from '../../../core/scene/shown-faces';
import { sourcesOf } from '../../../core/scene/sources';
import { colourArea } from '../../../core/sheet/colour-area';
import type { Cut } from '../../../core/sheet/cutting';
import type { Placed, SheetForm, SheetItem } from '../../../core/sheet/form';
import { sheetMarks } from '../../../core/sheet/marks';
import { bleedOn } from '../../../core/sheet/plan';
import { useBench, usePrinted } from '../../bench/bench';
import { FaceArt } from '../../bench/FaceArt';

export type Side = 'front' | 'back' | 'light table';

/** A face of an item once, to be drawn wherever it lies. */
function ItemArt({ job, item, face, id }: { job: Job; item: SheetItem; face: 0 | 1; id: string }) {
  const { press, sources } = useBench();
  const { previews } = usePrinted();
  const { piece, own, shown } = useMemo(() => {
    const dressed = item.person ? showFor(job, item.piece.id, item.person) : job;
    const found = pieceOf(dressed, item.piece.id) ?? item.piece;
    const own = showingMade(sourcesOf(dressed, sources.fonts), found);
    return { piece: found, own, shown: shownFaces(found, own)[item.faces[face] ?? -1] };
  }, [job, item, face, sources.fonts]);
  if (!shown) return null;
  const onto = ontoSheet(piece, shown);
  return (
    <g id={id}>
      <g {...(onto ? { transform: `matrix(${onto.matrix.join(' ')})` } : {})}>
        <FaceArt face={shown} sources={own} press={press} previews={previews} />
      </g>
    </g>
  );
}

/** What brings an item's own corner to where it is placed. */
function placing({ trim, angle }: Placed, { piece }: SheetItem): string {
  const [mx, my] = [trim.x + trim.width / 2, trim.y + trim.height / 2];
  return `translate(${mx} ${my}) rotate(${angle}) translate(${-piece.width / 2} ${-piece.height / 2})`;
}

/** A press sheet to scale, as one looks at a side of it; on the light table the back shines through. */
export function SheetDrawing({
  form,
  items,
  made,
  side,
  cut,
  children,
}: {
  form: SheetForm;
  items: readonly SheetItem[];
  made: SheetMade;
  side: Side;
  cut?: Cut | undefined;
  children?: ReactNode;
}) {
  const { job, shop } = useBench();
  const { width, height } = made.press;
  const bleed = bleedOn(job, items, made);
  const backs = form.second.length > 0 ? form.second : form.first;
  const placed = side === 'back' ? backs : form.first;
  // Seen through the sheet, what is on its back lies the other way round.
  const through =
    made.turning === 'work-and-tumble' ? `translate(0 ${height}) scale(1 -1)` : `translate(${width} 0) scale(-1 1)`;
  const trims = placed.map(({ trim }) => trim);
  const drawn = (all: readonly Placed[], layer: string) => {
    const lying = all.map(({ trim }) => trim);
    return all.map((each, i) => {
      const own = colourArea(each.trim, lying, bleed);
      const clip = `clip-${layer}-${i}`;
      return (
        // biome-ignore lint/suspicious/noArrayIndexKey: a place on the sheet is known by its number
        <g key={i}>
          <clipPath id={clip}>
            <rect {...own} />
          </clipPath>
          <g clipPath={`url(#${clip})`}>
            <use href={`#item-${each.item}-${each.face}`} transform={placing(each, items[each.item]!)} />
          </g>
        </g>
      );
    });
  };
  return (
    <svg
      role="img"
      aria-label={`The sheet, ${side}: ${placed.length} pieces`}
      viewBox={`0 0 ${width} ${height}`}
      className="max-h-full max-w-full bg-white shadow-lg"
    >
      <defs>
        {items.flatMap((item, i) =>
          ([0, 1] as const).map((face) => (
            <ItemArt
              key={`${item.piece.id} ${item.person ?? ''} ${face}`}
              job={job}
              item={item}
              face={face}
              id={`item-${i}-${face}`}
            />
          )),
        )}
      </defs>
      {drawn(placed, 'here')}
      {side === 'light table' && (
        <g transform={through} opacity={0.45}>
          {drawn(backs, 'behind')}
        </g>
      )}
      {made.gripper > 0 && (
        <g>
          <rect x={0} y={height - made.gripper} width={width} height={made.gripper} fill="#8a8f98" opacity={0.35} />
          {made.turning === 'work-and-tumble' && (
            <rect x={0} y={0} width={width} height={made.gripper} fill="#8a8f98" opacity={0.35} />
          )}
        </g>
      )}
      {trims.map((trim, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a place on the sheet is known by its number
        <rect key={i} {...trim} fill="none" stroke="#1f6feb" strokeWidth={0.6} vectorEffect="non-scaling-stroke" />
      ))}
      {sheetMarks(trims, bleed, shop.marks, made, FOUR).cuts.map(({ x0, y0, x1, y1 }) => (
        <line key={`${x0} ${y0} ${x1} ${y1}`} x1={x0} y1={y0} x2={x1} y2={y1} stroke="#000" strokeWidth={0.8} />
      ))}
      {cut && <CutLine cut={cut} />}
      {children}
    </svg>
  );
}

/** The bar is at its longest with the process inks: room is kept for that. */
const FOUR = ['Cyan', 'Magenta', 'Yellow', 'Black'];

/** A cut on the sheet: the pile that lies under the blade, what is kept at the gauge, and the blade. */
function CutLine({ cut: { pile, axis, at } }: { cut: Cut }) {
  const line =
    axis === 'x'
      ? { x1: at, x2: at, y1: pile.y, y2: pile.y + pile.height }
      : { y1: at, y2: at, x1: pile.x, x2: pile.x + pile.width };
  return (
    <g>
      <path
        d={`M-9999-9999H19999V19999H-9999ZM${pile.x} ${pile.y}V${pile.y + pile.height}H${pile.x + pile.width}V${pile.y}Z`}
        fill="#fffef9"
        opacity={0.75}
        fillRule="evenodd"
      />
      <line {...line} stroke="#c81e5b" strokeWidth={4} />
    </g>
  );
}
