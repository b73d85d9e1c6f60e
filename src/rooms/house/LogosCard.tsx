import Trash from 'lucide-react/icons/trash-2';
import { changeLogo, removeLogo } from '../../../core/job/edits/logos';
import { LOGO_USES, type Logo } from '../../../core/job/house';
import { roundIn } from '../../../core/units/length';
import { useBench } from '../../bench/bench';
import { LogoDrawing } from '../../bench/LogoDrawing';
import { placeLogoOn } from '../../bench/place-logo';
import { goTo } from '../../parts/address';
import { Choice } from '../../parts/Choice';
import { LengthField } from '../../parts/LengthField';
import { NumberField } from '../../parts/NumberField';
import { act } from '../../store/session';
import { TextField } from './TextField';

/** The logos of the house, each with the space it keeps clear and the least width it is read at. */
export function LogosCard() {
  const { job } = useBench();
  return (
    <section aria-label="Logos" className="grid content-start gap-3">
      <h2 className="text-lg font-semibold">Logos</h2>
      {job.logos.length === 0 && (
        <p className="quiet">
          None yet. In Layout, import an SVG or PDF or draw one, select all of it, and choose “Save as a logo”.
        </p>
      )}
      <ul className="grid gap-4">
        {job.logos.map((logo) => (
          <LogoRow key={logo.id} logo={logo} />
        ))}
      </ul>
    </section>
  );
}

function LogoRow({ logo }: { logo: Logo }) {
  const bench = useBench();
  const { job, unit, echo, piece, face } = bench;
  const change = (name: string, to: Parameters<typeof changeLogo>[2]): void =>
    act(name, (job) => changeLogo(job, logo.id, to));
  return (
    <li className="grid grid-cols-[130px_1fr] gap-3 rounded border border-base-300 bg-base-100 p-3">
      <div className="grid h-32 place-items-center bg-white p-1">
        <LogoDrawing logo={logo} clear />
      </div>
      <div className="grid content-start gap-1.5">
        <div className="flex gap-1">
          <TextField
            bare
            label={`Name of the logo ${logo.name}`}
            value={logo.name}
            onChange={(name) => name && change('Name a logo', { name })}
          />
          <button
            type="button"
            className="btn btn-ghost btn-sm btn-square"
            aria-label={`Delete the logo ${logo.name}`}
            onClick={() => act('Delete a logo', (job) => removeLogo(job, logo.id))}
          >
            <Trash size={14} />
          </button>
        </div>
        <Choice
          label="Drawn for"
          value={logo.use}
          options={LOGO_USES.map((use) => [use, use === 'reversed' ? 'Reversed, for dark grounds' : `In ${use}`])}
          onChange={(use) => change('Use of a logo', { use })}
        />
        <button
          type="button"
          className="btn btn-sm"
          onClick={() => {
            placeLogoOn(bench, logo);
            goTo(`/layout?job=${job.id}&piece=${piece.id}`);
          }}
        >
          <span className="truncate">
            Place on {piece.name}, {face.name.toLowerCase()}
          </span>
        </button>
        <NumberField
          label="Clear space, % of its height"
          value={Math.round(logo.clear * 100)}
          least={0}
          most={200}
          onChange={(percent) => change('Clear space', { clear: percent / 100 })}
        />
        <LengthField
          label="Minimum width"
          unit={unit}
          echo={echo}
          value={logo.least}
          least={0}
          most={roundIn(unit, 700, 27)}
          onChange={(least) => change('Minimum width of a logo', { least })}
        />
      </div>
    </li>
  );
}
