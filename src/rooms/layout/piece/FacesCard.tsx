import ArrowDown from 'lucide-react/icons/arrow-down';
import ArrowUp from 'lucide-react/icons/arrow-up';
import Copy from 'lucide-react/icons/copy';
import Plus from 'lucide-react/icons/plus';
import Trash from 'lucide-react/icons/trash-2';
import { nanoid } from 'nanoid';
import { addFace, duplicateFace, moveFace, removeFace, renameFace } from '../../../../core/job/edits/faces';
import { setTurns, turnFace } from '../../../../core/job/edits/kinds';
import { TURNS } from '../../../../core/job/kinds';
import type { Face } from '../../../../core/job/schema';
import { useBench } from '../../../bench/bench';
import { Pick } from '../../../parts/Pick';
import { Typed } from '../../../parts/Typed';
import { act } from '../../../store/session';
import { TurnDrawing } from './TurnDrawing';

const newId = (): string => nanoid(10);

/** The faces of the piece: named, ordered, copied, turned on the sheet; and how the back turns. */
export function FacesCard() {
  const { piece, sheet } = useBench();
  return (
    <section aria-label="Faces" className="grid gap-1.5 text-base-content">
      <h2 className="heading">Sides</h2>
      <ul className="grid gap-2">
        {piece.faces.map((face, i) => (
          <FaceRow key={face.id} face={face} index={i} />
        ))}
      </ul>
      <button
        type="button"
        className="btn btn-sm justify-self-start"
        onClick={() => act('Add side', (job) => addFace(job, piece.id, newId()))}
      >
        <Plus size={14} /> Add side
      </button>
      {piece.faces.length > 1 && <TurnDrawing piece={sheet} />}
      {piece.faces.length > 1 && (
        <Pick
          label="Turn to back"
          value={piece.turns ?? ''}
          options={[
            ['', 'Not set: left–right'],
            ['left–right', 'Left–right, as a page'],
            ['top–bottom', 'Top–bottom, as a pad'],
          ]}
          onChange={(turns) =>
            act('Turn to back', (job) =>
              setTurns(
                job,
                piece.id,
                TURNS.find((turn) => turn === turns),
              ),
            )
          }
        />
      )}
    </section>
  );
}

function FaceRow({ face, index }: { face: Face; index: number }) {
  const { piece, setFace } = useBench();
  const { name, id } = face;
  const move = (to: number) => () => act('Order of sides', (job) => moveFace(job, piece.id, id, to));
  function remove(): void {
    act('Delete side', (job) => removeFace(job, piece.id, id));
    setFace(piece.faces.find((each) => each.id !== id)!.id);
  }
  const actions = [
    [`Move ${name} up`, ArrowUp, index > 0, move(index - 1)],
    [`Move ${name} down`, ArrowDown, index < piece.faces.length - 1, move(index + 1)],
    [`Copy ${name}`, Copy, true, () => act('Duplicate side', (job) => duplicateFace(job, piece.id, id, newId))],
    [`Delete ${name}`, Trash, piece.faces.length > 1, remove],
  ] as const;
  return (
    <li className="grid gap-1 rounded border border-base-300 bg-base-100 p-1.5">
      <Typed
        className="input input-sm w-full text-[14px]"
        aria-label={`Name of ${name}`}
        said={name}
        maxLength={120}
        onTake={(to) => to.trim() !== '' && act('Rename side', (job) => renameFace(job, piece.id, id, to))}
      />
      <div className="flex items-center gap-0.5">
        <select
          className="select select-xs flex-1 text-[13px]"
          aria-label={`How ${name} lies on the sheet`}
          value={face.turned ?? ''}
          onChange={(event) => {
            const to = (['clockwise', 'anticlockwise'] as const).find((turn) => turn === event.target.value);
            act('Rotate side', (job) => turnFace(job, piece.id, id, to, newId));
          }}
        >
          <option value="">Upright</option>
          <option value="clockwise">90° clockwise</option>
          <option value="anticlockwise">90° anticlockwise</option>
        </select>
        {actions.map(([says, Icon, can, action]) => (
          <button
            key={says}
            type="button"
            className="btn btn-ghost btn-xs btn-square"
            aria-label={says}
            title={says}
            disabled={!can}
            onClick={action}
          >
            <Icon size={13} />
          </button>
        ))}
      </div>
    </li>
  );
}
