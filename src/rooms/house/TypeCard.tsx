import Trash from 'lucide-react/icons/trash-2';
import { setRole } from '../../../core/job/edits/house';
import { changeStyle, removeStyle } from '../../../core/job/edits/words';
import { ROLES, type Role } from '../../../core/job/house';
import { type Lettering, leadingOf, type NamedStyle } from '../../../core/type/style';
import { useBench } from '../../bench/bench';
import { useOwnFaces } from '../../bench/own-fonts';
import { TypefaceChooser } from '../../bench/type/TypefaceChooser';
import { LengthField } from '../../parts/LengthField';
import { act } from '../../store/session';
import { TextField } from './TextField';

/** Typefaces by what they do, and the named styles of words. */
export function TypeCard() {
  const { job } = useBench();
  useOwnFaces(job.fonts);
  return (
    <section aria-label="Type" className="grid content-start gap-3">
      <h2 className="text-lg font-semibold">Type</h2>
      {(Object.keys(ROLES) as Role[]).map((role) => (
        <RoleField key={role} role={role} />
      ))}
      <h3 className="heading mt-2">Named styles</h3>
      {job.styles.length === 0 && (
        <p className="quiet">None yet. In the Layout room, “Save as a style” keeps the look of some text.</p>
      )}
      <ul className="grid gap-2" aria-label="Named styles">
        {job.styles.map((style) => (
          <StyleRow key={style.id} style={style} />
        ))}
      </ul>
    </section>
  );
}

function RoleField({ role }: { role: Role }) {
  const { job } = useBench();
  const value = job.roles[role] ?? '';
  return (
    <div className="grid grid-cols-[9.5rem_1fr] items-center gap-2">
      <span className="quiet text-[14px]" aria-hidden="true">
        {ROLES[role]}
      </span>
      <TypefaceChooser
        value={value}
        label={ROLES[role]}
        sample={job.firm.name || 'Hamburg'}
        onChoose={(typeface) => act('Typeface of a role', (j) => setRole(j, role, typeface))}
      />
    </div>
  );
}

/** What words in a style look like; all that are in it follow. */
function StyleLook({ style }: { style: NamedStyle }) {
  const { job } = useBench();
  const { lettering, setting } = style;
  const letters = (to: Partial<Lettering>): void =>
    act('Change a style', (j) => changeStyle(j, style.id, { lettering: { ...lettering, ...to } }));
  const leading = leadingOf(setting, lettering.size);
  return (
    <div className="grid gap-1.5">
      <TypefaceChooser
        value={lettering.typeface}
        sample={style.name}
        label={`Typeface of ${style.name}`}
        onChoose={(typeface) => letters({ typeface })}
      />
      <div className="grid grid-cols-3 gap-1.5">
        <LengthField
          label="Size"
          unit="pt"
          echo="mm"
          value={lettering.size}
          least={1}
          most={1000}
          onChange={(size) => letters({ size })}
        />
        <LengthField
          label="Leading"
          unit="pt"
          echo="mm"
          value={leading}
          least={0.5}
          most={5000}
          onChange={(points) =>
            act('Change a style', (j) => changeStyle(j, style.id, { setting: { ...setting, leading: { points } } }))
          }
        />
        <select
          className="select select-sm w-full text-[14px]"
          aria-label={`Ink of ${style.name}`}
          value={lettering.paint.ink}
          onChange={(event) => letters({ paint: { ...lettering.paint, ink: event.target.value } })}
        >
          {job.inks.map((ink) => (
            <option key={ink.id} value={ink.id}>
              {ink.name}
            </option>
          ))}
        </select>
      </div>
    </div>
  );
}

function StyleRow({ style }: { style: NamedStyle }) {
  const { job } = useBench();
  const uses = job.pieces
    .flatMap((p) => p.faces.flatMap((f) => f.elements))
    .filter((e) => e.kind === 'words' && e.style === style.id).length;
  return (
    <li className="grid grid-cols-[1fr_auto] items-center gap-2 border-b border-base-300 pb-2">
      <div className="grid gap-0.5">
        <TextField
          bare
          label={`Name of the style ${style.name}`}
          value={style.name}
          onChange={(name) => name && act('Name a style', (j) => changeStyle(j, style.id, { name }))}
        />
        <StyleLook style={style} />
        <span className="quiet text-[13px]">Used {uses === 1 ? 'once' : `${uses} times`}</span>
      </div>
      <button
        type="button"
        className="btn btn-ghost btn-xs btn-square"
        aria-label={`Delete the style ${style.name}`}
        title="Text in it keeps its look"
        onClick={() => act('Delete a style', (j) => removeStyle(j, style.id))}
      >
        <Trash size={14} />
      </button>
    </li>
  );
}
