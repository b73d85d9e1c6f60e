import { inkBounds } from '../../../core/devices/bounds';
import { distancesTo, type Sides } from '../../../core/geometry/box';
import type { Element } from '../../../core/job/schema';
import { formatLength } from '../../../core/units/length';
import { useBench } from '../../bench/bench';

const PLACE: Record<keyof Sides, string> = {
  top: 'col-start-2 row-start-1',
  left: 'col-start-1 row-start-2 text-right',
  right: 'col-start-3 row-start-2',
  bottom: 'col-start-2 row-start-3',
};

/** How far what prints is from each side of the trim; outside it is said in words. */
export function ToCut({ element }: { element: Element }) {
  const { piece, shop, sources, unit } = useBench();
  const ink = inkBounds(element, sources);
  if (!ink) return <p className="quiet text-[13px]">Prints nothing yet.</p>;
  const distances = distancesTo(ink, { x: 0, y: 0, width: piece.width, height: piece.height });
  const keepsIn = element.kind === 'words' || element.logo === true;
  const safe = shop.safe[piece.kind];
  return (
    <section aria-label="Distance to trim">
      <h2 className="heading mb-1.5">Distance to trim</h2>
      <div className="grid grid-cols-[1fr_auto_1fr] grid-rows-[auto_auto_auto] items-center gap-x-2 rounded border border-base-300 bg-base-100 px-2 py-1.5 text-[13.5px]">
        <span
          className="col-start-2 row-start-2 mx-auto my-1 block h-7 w-12 border border-primary bg-primary/10"
          aria-hidden="true"
        />
        {(Object.keys(PLACE) as (keyof Sides)[]).map((side) => {
          const distance = distances[side];
          const near = keepsIn && distance < safe - 0.001;
          const text = `${formatLength(Math.abs(distance), unit, unit === 'in' ? 3 : 2)}${distance < -0.001 ? ' outside' : ''}`;
          return (
            <span key={side} className={`text-center whitespace-nowrap ${PLACE[side]}`}>
              <span className="sr-only">{side} </span>
              <span className={near ? 'rounded-xs bg-warning px-1 text-warning-content' : ''}>{text}</span>
            </span>
          );
        })}
      </div>
    </section>
  );
}
