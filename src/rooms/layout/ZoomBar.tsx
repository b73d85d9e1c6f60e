import Minus from 'lucide-react/icons/minus';
import Plus from 'lucide-react/icons/plus';

/** Nearer, farther, the whole piece, or its actual size on this screen. */
export function ZoomBar({
  zoom,
  onFit,
  onActual,
  onZoom,
}: {
  zoom: number;
  onFit(): void;
  onActual(): void;
  onZoom(factor: number): void;
}) {
  return (
    <fieldset
      data-bar
      className="absolute right-3 bottom-3 flex items-center gap-1 rounded border border-base-300 bg-base-100 p-1 text-[13px]"
      aria-label="Zoom"
    >
      <button
        type="button"
        className="btn btn-ghost btn-xs btn-square"
        aria-label="Zoom out"
        onClick={() => onZoom(1 / 1.25)}
      >
        <Minus size={14} />
      </button>
      <span className="w-12 text-center" aria-live="polite">
        {Math.round(zoom * 100)} %
      </span>
      <button
        type="button"
        className="btn btn-ghost btn-xs btn-square"
        aria-label="Zoom in"
        onClick={() => onZoom(1.25)}
      >
        <Plus size={14} />
      </button>
      <button type="button" className="btn btn-ghost btn-xs" onClick={onFit}>
        Fit
      </button>
      <button type="button" className="btn btn-ghost btn-xs" onClick={onActual}>
        Actual size
      </button>
    </fieldset>
  );
}
