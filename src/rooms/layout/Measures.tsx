import { moveElement, setFrame, setWordsOf } from '../../../core/job/edits/elements';
import { setUnit } from '../../../core/job/edits/job';
import type { Element } from '../../../core/job/schema';
import { elementFrame } from '../../../core/scene/face';
import { LengthField } from '../../parts/LengthField';
import { act } from '../../store/session';
import { useBench } from './bench';

const LEAST = 0.25;
const tooSmall = (points: number): string | undefined =>
  points < LEAST ? 'Nothing is narrower than a quarter of a point.' : undefined;

/** Where the selection is and how large, in the piece's unit and the other one. */
export function Measures({ element }: { element: Element }) {
  const { unit, echo, sources } = useBench();
  const frame = elementFrame(element, sources.fonts);
  const units = { unit, echo };
  const isWords = element.kind === 'words';
  const move = (x: number, y: number): void => act('Move', (job) => moveElement(job, element.id, { x, y }));
  const resize = (to: { width?: number; height?: number }): void =>
    act('Resize', (job) => setFrame(job, element.id, { ...frame, ...to }));
  // Words given a width keep their left edge where it is.
  const setWidth = (width: number): void =>
    isWords ? act('Resize', (job) => setWordsOf(job, element.id, { width, x: frame.x })) : resize({ width });
  return (
    <section aria-label="Measures">
      <UnitChoice />
      <div className="grid grid-cols-2 gap-1.5">
        <LengthField
          {...units}
          label="X"
          hint="From the trim’s left edge"
          value={frame.x}
          onChange={(x) => move(x - frame.x, 0)}
        />
        <LengthField
          {...units}
          label="Y"
          hint="From the trim’s top edge"
          value={frame.y}
          onChange={(y) => move(0, y - frame.y)}
        />
        <LengthField {...units} label="W" hint="Width" value={frame.width} refuse={tooSmall} onChange={setWidth} />
        <LengthField
          {...units}
          label="H"
          hint={isWords ? 'As high as its lines' : 'Height'}
          value={frame.height}
          refuse={tooSmall}
          disabled={isWords}
          onChange={(height) => resize({ height })}
        />
      </div>
      <p className="quiet mt-1 text-[13px]">Sums and fractions: 1 1/8 in + 2 mm</p>
    </section>
  );
}

function UnitChoice() {
  const { piece, unit } = useBench();
  return (
    <div className="mb-1.5 flex items-center justify-between">
      <h2 className="heading">Measures</h2>
      <fieldset className="join" aria-label="Unit">
        {(['mm', 'in'] as const).map((u) => (
          <button
            key={u}
            type="button"
            aria-pressed={u === unit}
            className={`btn btn-xs join-item ${u === unit ? 'btn-neutral' : ''}`}
            onClick={() => act('Unit', (job) => setUnit(job, piece.id, u))}
          >
            {u}
          </button>
        ))}
      </fieldset>
    </div>
  );
}
