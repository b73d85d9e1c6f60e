import type { WetPlace } from '../../../core/devices/plates/readings';
import { formatLength } from '../../../core/units/length';
import { useBench, useFound } from '../../bench/bench';
import { act } from '../../store/session';

/** More than these are told as a number: they are specks. */
const MOST = 400;
const size = (area: number): string => (area >= 10 ? `${Math.round(area)}` : area.toFixed(2));

/** Every place with more ink than the limit, the largest first, and what makes it dry. */
export function WetPlaces({ places }: { places: readonly WetPlace[] }) {
  const { face, unit } = useBench();
  const { findings } = useFound();
  const wet = findings.filter((finding) => finding.check === 'total-ink' && finding.face === face.id);
  if (places.length === 0) return null;
  return (
    <section aria-label="Above the limit" className="grid gap-1.5">
      <h2 className="heading">Above the limit</h2>
      {wet.map(
        ({ fix, element }) =>
          fix && (
            <button
              key={element}
              type="button"
              className="btn btn-sm h-auto py-1 text-left"
              onClick={() => act(fix.label, fix.apply)}
            >
              {fix.label}
            </button>
          ),
      )}
      <ul className="max-h-56 overflow-y-auto text-[14px]" aria-label="Places above the limit">
        {places.slice(0, MOST).map(({ at, area, total }) => (
          <li key={`${at.x} ${at.y}`} className="flex justify-between border-t border-base-300 py-0.5">
            <span>
              at {formatLength(at.x, unit, 1)}, {formatLength(at.y, unit, 1)}
            </span>
            <span>
              {size(area)} mm², {Math.round(total * 100)} %
            </span>
          </li>
        ))}
        {places.length > MOST && <li className="quiet">and {places.length - MOST} smaller ones</li>}
      </ul>
    </section>
  );
}
