import { create } from 'zustand';
import { inkBounds } from '../../../core/devices/bounds';
import type { Box } from '../../../core/geometry/box';
import { moveElement, setFrame } from '../../../core/job/edits/elements';
import { setUnit } from '../../../core/job/edits/job';
import { setWordsFrame } from '../../../core/job/edits/words';
import type { Element, Job, Words } from '../../../core/job/schema';
import { elementFrame } from '../../../core/scene/face';
import { LengthField } from '../../parts/LengthField';
import { act } from '../../store/session';
import { useBench } from './bench';
import { setInkWidth } from './words/ink-width';

/** Words given a width keep their left edge where it is. */
function resizeWords(job: Job, words: Words, frame: Box, to: { width?: number; height?: number }): Job {
  const behaviour = words.frame.behaviour === 'grows' ? 'fixed width' : words.frame.behaviour;
  return setWordsFrame(job, words.id, { behaviour, ...to }, { x: frame.x });
}

const LEAST = 0.25;
const tooSmall = (points: number): string | undefined =>
  points < LEAST ? 'Nothing is narrower than a quarter of a point.' : undefined;

/** Whether words are measured by their frame or by what is seen of their letters; kept from one element to the next. */
const useMeasured = create<{ by: 'frame' | 'letters' }>(() => ({ by: 'frame' }));

/** Where the selection is and how large, in the piece's unit and the other one. */
export function Measures({ element }: { element: Element }) {
  const { unit, echo, sources } = useBench();
  const { by } = useMeasured();
  const ink = element.kind === 'words' && by === 'letters' ? inkBounds(element, sources) : undefined;
  const frame = ink ?? elementFrame(element, sources);
  const units = { unit, echo };
  const move = (x: number, y: number): void => act('Move', (job) => moveElement(job, element.id, { x, y }));
  const resize = (to: { width?: number; height?: number }): void =>
    act('Resize', (job) =>
      element.kind === 'words'
        ? ink && to.width
          ? setInkWidth(job, element, ink, to.width)
          : resizeWords(job, element, frame, to)
        : setFrame(job, element.id, { ...frame, ...to }),
    );
  return (
    <section aria-label="Measures">
      <UnitChoice />
      {element.kind === 'words' && (
        <fieldset className="join mb-1.5 grid grid-cols-2" aria-label="Measured by">
          {(
            [
              ['frame', 'The frame'],
              ['letters', 'The letters'],
            ] as const
          ).map(([value, text]) => (
            <button
              key={value}
              type="button"
              aria-pressed={by === value}
              className={`btn btn-xs join-item ${by === value ? 'btn-neutral' : ''}`}
              onClick={() => useMeasured.setState({ by: value })}
            >
              {text}
            </button>
          ))}
        </fieldset>
      )}
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
        <LengthField
          {...units}
          label="W"
          hint={ink ? 'Width of what prints; the size follows' : 'Width'}
          value={frame.width}
          refuse={tooSmall}
          onChange={(width) => resize({ width })}
        />
        <LengthField
          {...units}
          label="H"
          hint={element.kind === 'words' ? 'As high as its lines, unless it is a fixed box' : 'Height'}
          value={frame.height}
          refuse={tooSmall}
          disabled={element.kind === 'words' && (ink !== undefined || element.frame.behaviour !== 'fixed box')}
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
