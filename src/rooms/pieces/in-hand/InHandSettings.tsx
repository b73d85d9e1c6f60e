import type { Job, Piece } from '../../../../core/job/schema';
import type { PutAsked } from '../../../../core/scene/in-hand/put';
import { Choice } from '../../../parts/Choice';
import { Tick } from '../../../parts/Tick';
import { LIMITS, PLACES, TABLES, type Table, type View } from './view';

interface Props {
  job: Job;
  view: View;
  put: PutAsked;
  /** Pieces that are left off the table. */
  left: ReadonlySet<string>;
  onView(to: View): void;
  onPut(to: PutAsked): void;
  onLeft(to: ReadonlySet<string>): void;
}

type Slide = readonly [says: string, least: number, most: number, step: number];
const VIEW_SLIDES: Readonly<Record<'turn' | 'tilt' | 'near' | 'light' | 'soft', Slide>> = {
  turn: ['Round it', LIMITS.turn.least, LIMITS.turn.most, 1],
  tilt: ['From above', LIMITS.tilt.least, LIMITS.tilt.most, 1],
  near: ['Nearer', LIMITS.near.least, LIMITS.near.most, 0.05],
  light: ['Light from', LIMITS.light.least, LIMITS.light.most, 1],
  soft: ['Softer light', LIMITS.soft.least, LIMITS.soft.most, 0.05],
};
const PUT_SLIDES: Readonly<Record<'gap' | 'askew' | 'pile' | 'open', Slide>> = {
  gap: ['Apart', -40, 80, 1],
  askew: ['Askew', 0, 15, 0.5],
  pile: ['Cards in a pile', 1, 60, 1],
  open: ['Folds open', 0, 1, 0.02],
};

function Slider({
  slide: [says, least, most, step],
  value,
  onChange,
}: {
  slide: Slide;
  value: number;
  onChange(to: number): void;
}) {
  return (
    <label className="grid grid-cols-[7.2rem_minmax(0,1fr)] items-center gap-2 text-[14px]">
      <span>{says}</span>
      <input
        type="range"
        className="range range-xs"
        min={least}
        max={most}
        step={step}
        value={value}
        onChange={(event) => onChange(Number(event.target.value))}
      />
    </label>
  );
}

const toggled = (set: ReadonlySet<string>, id: string): ReadonlySet<string> => {
  const to = new Set(set);
  if (!to.delete(id)) to.add(id);
  return to;
};

/** Where one looks from, the light, the table, and what lies on it. */
export function InHandSettings({ job, view, put, left, onView, onPut, onLeft }: Props) {
  return (
    <>
      <section aria-label="Where from" className="grid gap-2">
        <div className="flex flex-wrap gap-1.5">
          {PLACES.map(([says, place]) => (
            <button key={says} type="button" className="btn btn-xs" onClick={() => onView({ ...view, ...place })}>
              {says}
            </button>
          ))}
        </div>
        {(Object.keys(VIEW_SLIDES) as (keyof typeof VIEW_SLIDES)[]).map((name) => (
          <Slider
            key={name}
            slide={VIEW_SLIDES[name]}
            value={view[name]}
            onChange={(to) => onView({ ...view, [name]: to })}
          />
        ))}
        <Choice
          label="Table"
          value={view.table}
          options={(Object.keys(TABLES) as Table[]).map((id) => [id, `${TABLES[id][0]} table`] as const)}
          onChange={(table) => onView({ ...view, table })}
        />
      </section>
      <section aria-label="How it lies" className="grid gap-2">
        <h3 className="heading">How it lies</h3>
        {(Object.keys(PUT_SLIDES) as (keyof typeof PUT_SLIDES)[]).map((name) => (
          <Slider
            key={name}
            slide={PUT_SLIDES[name]}
            value={put[name]}
            onChange={(to) => onPut({ ...put, [name]: to })}
          />
        ))}
        <Tick checked={put.stands} onChange={(stands) => onPut({ ...put, stands })}>
          Folded pieces stand
        </Tick>
      </section>
      <section aria-label="On the table" className="grid gap-1">
        <h3 className="heading">On the table</h3>
        {job.pieces.map((piece) => (
          <PieceRow
            key={piece.id}
            piece={piece}
            isOn={!left.has(piece.id)}
            isTurned={put.turned.has(piece.id)}
            onOn={() => onLeft(toggled(left, piece.id))}
            onTurned={() => onPut({ ...put, turned: toggled(put.turned, piece.id) })}
          />
        ))}
      </section>
    </>
  );
}

function PieceRow({
  piece,
  isOn,
  isTurned,
  onOn,
  onTurned,
}: {
  piece: Piece;
  isOn: boolean;
  isTurned: boolean;
  onOn(): void;
  onTurned(): void;
}) {
  return (
    <div className="flex items-center justify-between gap-2">
      <Tick checked={isOn} onChange={onOn}>
        {piece.name}
      </Tick>
      {isOn && piece.faces.length > 1 && (
        <button
          type="button"
          className={`btn btn-xs ${isTurned ? 'btn-neutral' : ''}`}
          aria-pressed={isTurned}
          aria-label={`Back of ${piece.name} up`}
          onClick={onTurned}
        >
          Back
        </button>
      )}
    </div>
  );
}
