import Trash from 'lucide-react/icons/trash-2';
import { setRole } from '../../../core/job/edits/house';
import { changeStyle, removeStyle } from '../../../core/job/edits/words';
import { ROLES, type Role } from '../../../core/job/house';
import { ownTypefaces, typefaceIn } from '../../../core/type/own-font';
import type { NamedStyle } from '../../../core/type/style';
import { TYPEFACES } from '../../../core/type/typefaces';
import { formatLength } from '../../../core/units/length';
import { loadFonts } from '../../../workers/kit';
import { cssFamily } from '../../parts/TypefaceFaces';
import { act } from '../../store/session';
import { useBench } from '../layout/bench';
import { useOwnFaces } from '../layout/words/own-fonts';
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
        <p className="quiet">None yet. In the Layout room, “Keep as a style” keeps the look of some words.</p>
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
    <label className="grid grid-cols-[9.5rem_1fr] items-center gap-2">
      <span className="quiet text-[14px]">{ROLES[role]}</span>
      <select
        className="select select-sm w-full text-[16px]"
        value={value}
        style={value ? { fontFamily: `"${cssFamily(value)}"` } : undefined}
        onChange={async (event) => {
          const typeface = event.target.value;
          if (typeface === '') return;
          await loadFonts([typeface]);
          act('Typeface of a role', (j) => setRole(j, role, typeface));
        }}
      >
        <option value="">Choose a typeface</option>
        {[...ownTypefaces(job.fonts), ...TYPEFACES].map((face) => (
          <option key={face.id} value={face.id}>
            {face.family} {face.style}
          </option>
        ))}
      </select>
    </label>
  );
}

function StyleRow({ style }: { style: NamedStyle }) {
  const { job } = useBench();
  const face = typefaceIn(style.lettering.typeface, job.fonts);
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
        <span className="truncate text-[17px]" style={{ fontFamily: `"${cssFamily(style.lettering.typeface)}"` }}>
          {face ? `${face.family} ${face.style}` : style.lettering.typeface}
        </span>
        <span className="quiet text-[13px]">
          {formatLength(style.lettering.size, 'pt', 2)}, used {uses === 1 ? 'once' : `${uses} times`}
        </span>
      </div>
      <button
        type="button"
        className="btn btn-ghost btn-xs btn-square"
        aria-label={`Delete the style ${style.name}`}
        title="Words in it keep their look"
        onClick={() => act('Delete a style', (j) => removeStyle(j, style.id))}
      >
        <Trash size={14} />
      </button>
    </li>
  );
}
