import { nanoid } from 'nanoid';
import { placeLogo } from '../../../core/job/edits/logos';
import type { Logo } from '../../../core/job/house';
import { formatLength } from '../../../core/units/length';
import { useBench } from '../../bench/bench';
import { LogoDrawing } from '../../bench/LogoDrawing';
import { Dialog } from '../../parts/Dialog';
import { act, select } from '../../store/session';

/** The logos of the house, to be laid on the face. */
export function LogosPanel({ onClose }: { onClose(): void }) {
  const { job, piece, face, unit } = useBench();
  function lay(logo: Logo): void {
    // As large as it was drawn, unless that takes more than a third of the face.
    const width = Math.max(logo.least, Math.min(logo.width, piece.width / 3));
    const at = {
      x: (piece.width - width) / 2,
      y: (piece.height - (width * logo.height) / logo.width) / 2,
      width,
    };
    const ids: string[] = [];
    act('Lay a logo', (j) =>
      placeLogo(j, face.id, logo.id, at, () => {
        const id = nanoid(10);
        ids.push(id);
        return id;
      }),
    );
    // The first id is the group's.
    select(...ids.slice(1));
    onClose();
  }
  return (
    <Dialog title="Place a logo" onClose={onClose}>
      <ul className="grid grid-cols-3 gap-3">
        {job.logos.map((logo) => (
          <li key={logo.id}>
            <button
              type="button"
              className="grid w-full cursor-pointer gap-1 rounded border border-base-300 p-2 text-left hover:border-base-content"
              onClick={() => lay(logo)}
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
