import { create } from 'zustand';
import type { Point } from '../../../../core/geometry/box';

/** The point of the selection that X and Y tell of, each way from 0 (left, top) to 1; kept from one selection to the next. */
export const useReference = create<Point>(() => ({ x: 0, y: 0 }));

const NAMES = [
  ['Top left', 'Top', 'Top right'],
  ['Left', 'Middle', 'Right'],
  ['Bottom left', 'Bottom', 'Bottom right'],
] as const;

/** The nine points that X and Y can tell of, laid out as they lie. */
export function ReferencePoint() {
  const at = useReference();
  return (
    <div className="mb-1.5 flex items-center gap-2 text-[13px]">
      <fieldset className="grid grid-cols-3 border border-base-content/50" aria-label="Measured from">
        {NAMES.flatMap((row, i) =>
          row.map((name, j) => {
            const [x, y] = [j / 2, i / 2];
            const on = at.x === x && at.y === y;
            return (
              <button
                key={name}
                type="button"
                aria-label={name}
                title={name}
                aria-pressed={on}
                className={`m-px size-3.5 cursor-pointer ${on ? 'bg-base-content' : 'bg-base-content/15 hover:bg-base-content/40'}`}
                onClick={() => useReference.setState({ x, y })}
              />
            );
          }),
        )}
      </fieldset>
      <span className="quiet">X, Y from: {NAMES[at.y * 2]![at.x * 2]!.toLowerCase()}</span>
    </div>
  );
}
