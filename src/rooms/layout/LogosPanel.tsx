import { formatLength } from '../../../core/units/length';
import { useBench } from '../../bench/bench';
import { LogoDrawing } from '../../bench/LogoDrawing';
import { placeLogoOn } from '../../bench/place-logo';
import { Dialog } from '../../parts/Dialog';

/** The logos of the house, to be placed on the side. */
export function LogosPanel({ onClose }: { onClose(): void }) {
  const bench = useBench();
  const { job, unit } = bench;
  return (
    <Dialog title="Place a logo" onClose={onClose}>
      <ul className="grid grid-cols-3 gap-3">
        {job.logos.map((logo) => (
          <li key={logo.id}>
            <button
              type="button"
              className="grid w-full cursor-pointer gap-1 rounded border border-base-300 p-2 text-left hover:border-base-content"
              onClick={() => {
                placeLogoOn(bench, logo);
                onClose();
              }}
            >
              <span
                className={`grid h-24 place-items-center p-2 ${logo.use === 'reversed' ? 'bg-[#5a5a55]' : 'bg-white'}`}
              >
                <LogoDrawing logo={logo} />
              </span>
              <span className="truncate">{logo.name}</span>
              <span className="quiet text-[13px]">
                {logo.use}, {formatLength(logo.least, unit, 1)} or wider
              </span>
            </button>
          </li>
        ))}
      </ul>
    </Dialog>
  );
}
