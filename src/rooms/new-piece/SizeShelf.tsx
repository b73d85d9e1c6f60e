import { useLayoutEffect, useRef, useState } from 'react';
import type { Kind } from '../../../core/trade/schema';
import { measuresOf, sizesOf } from '../../../core/trade/sizes';
import { echoUnit, formatSize, type PieceUnit } from '../../../core/units/length';

interface Size {
  width: number;
  height: number;
  unit: PieceUnit;
}

/** Room below a size for its name and two measures, and the least width they need, in CSS pixels. */
const LABEL = { height: 66, width: 118 };
const GAP = 20;
const PADDING = 24;

const same = (a: Size, b: Size): boolean => Math.abs(a.width - b.width) < 0.01 && Math.abs(a.height - b.height) < 0.01;

/** How the sizes wrap into rows at a scale: the height they take, or none if one is wider than the shelf. */
function heightAt(scale: number, sizes: readonly Size[], width: number): number {
  let [rowWidth, rowHeight, total] = [0, 0, 0];
  for (const size of sizes) {
    const tile = { width: Math.max(LABEL.width, size.width * scale), height: size.height * scale + LABEL.height };
    if (tile.width > width) return Number.POSITIVE_INFINITY;
    if (rowWidth > 0 && rowWidth + GAP + tile.width > width) {
      total += rowHeight + GAP;
      [rowWidth, rowHeight] = [0, 0];
    }
    rowWidth += (rowWidth > 0 ? GAP : 0) + tile.width;
    rowHeight = Math.max(rowHeight, tile.height);
  }
  return total + rowHeight;
}

/** The largest scale at which all sizes are on the shelf at once, one scale for all of them. */
function scaleFor(sizes: readonly Size[], width: number, height: number): number {
  let [low, high] = [0.02, 1.4];
  for (let i = 0; i < 20; i++) {
    const middle = (low + high) / 2;
    if (heightAt(middle, sizes, width) <= height) low = middle;
    else high = middle;
  }
  return low;
}

/** A kind's sizes drawn to scale beside each other; the chosen way up. */
export function SizeShelf({
  kind,
  upright,
  size,
  onChoose,
}: {
  kind: Kind;
  upright: boolean;
  size: Size;
  onChoose(size: Size): void;
}) {
  const shelf = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState({ width: 0, height: 0 });
  useLayoutEffect(() => {
    const watch = new ResizeObserver(([entry]) =>
      setRoom({ width: entry!.contentRect.width, height: entry!.contentRect.height }),
    );
    if (shelf.current) watch.observe(shelf.current);
    return () => watch.disconnect();
  }, []);

  const rows = sizesOf(kind).map((row) => {
    const given = measuresOf(row);
    const isSquare = given.width === given.height;
    const turn = !isSquare && given.height > given.width !== upright;
    return { row, shown: turn ? { ...given, width: given.height, height: given.width } : given };
  });
  const isOwn = !rows.some(({ shown }) => same(shown, size));
  const scale = scaleFor([...rows.map(({ shown }) => shown), ...(isOwn ? [size] : [])], room.width, room.height);

  return (
    <div ref={shelf} className="min-h-0 flex-1 overflow-auto rounded bg-[var(--table)]" style={{ padding: PADDING }}>
      {room.width > 0 && (
        <ul className="flex flex-wrap items-end" style={{ gap: GAP }}>
          {rows.map(({ row, shown }) => (
            <Tile
              key={row.name}
              name={row.name}
              size={shown}
              scale={scale}
              chosen={same(shown, size)}
              onChoose={() => onChoose(shown)}
            />
          ))}
          {isOwn && <Tile name="Your own" size={size} scale={scale} chosen onChoose={() => {}} />}
        </ul>
      )}
    </div>
  );
}

function Tile({
  name,
  size,
  scale,
  chosen,
  onChoose,
}: {
  name: string;
  size: Size;
  scale: number;
  chosen: boolean;
  onChoose(): void;
}) {
  return (
    <li>
      <button
        type="button"
        aria-pressed={chosen}
        onClick={onChoose}
        className="group flex cursor-pointer flex-col items-center text-[var(--table-text)]"
        style={{ minWidth: LABEL.width }}
      >
        <span
          className={`block bg-white shadow-md ${chosen ? 'outline-3 outline-offset-2 outline-primary' : 'group-hover:outline-2 group-hover:outline-[var(--table-text)]'}`}
          style={{ width: size.width * scale, height: size.height * scale }}
        />
        <span className="mt-2 font-semibold leading-5">{name}</span>
        <span className="text-[13px] leading-[18px]">{formatSize(size.width, size.height, size.unit)}</span>
        <span className="text-[12px] leading-4">{formatSize(size.width, size.height, echoUnit(size.unit), 2)}</span>
      </button>
    </li>
  );
}
