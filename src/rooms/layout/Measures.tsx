import FlipHorizontal from 'lucide-react/icons/flip-horizontal-2';
import FlipVertical from 'lucide-react/icons/flip-vertical-2';
import RotateCcw from 'lucide-react/icons/rotate-ccw';
import RotateCw from 'lucide-react/icons/rotate-cw';
import type { ReactNode } from 'react';
import { create } from 'zustand';
import { inkBounds } from '../../../core/devices/bounds';
import type { Box } from '../../../core/geometry/box';
import { flipElement, moveElement, turnElement } from '../../../core/job/edits/elements';
import { setUnit } from '../../../core/job/edits/job';
import type { Element, Job } from '../../../core/job/schema';
import { elementFrame } from '../../../core/scene/face';
import { useBench } from '../../bench/bench';
import { LengthField } from '../../parts/LengthField';
import { Typed } from '../../parts/Typed';
import { act } from '../../store/session';
import { resized, useArranging } from './arrange/arranging';
import { ReferencePoint, useReference } from './arrange/ReferencePoint';
import { setInkWidth } from './words/ink-width';

const LEAST = 0.25;

/** Where the selection is and how large, in the piece's unit and the other one. */
export function Measures({ element }: { element: Element }) {
  const { unit, echo, sources } = useBench();
  const { by } = useArranging();
  const at = useReference();
  const ink = element.kind === 'words' && by === 'letters' ? inkBounds(element, sources) : undefined;
  const frame = ink ?? elementFrame(element, sources);
  const keeps = element.logo === true || (element.kind === 'shape' && element.outline !== undefined);
  const units = { unit, echo };
  const point = { x: frame.x + at.x * frame.width, y: frame.y + at.y * frame.height };
  const move = (x: number, y: number): void => act('Move', (job) => moveElement(job, element.id, { x, y }));
  // The reference point stays where it is while the rest grows about it.
  function resize(asked: { width?: number; height?: number }): void {
    const to = keeps && !useShape.getState().free ? inProportion(frame, asked) : asked;
    const by = {
      x: at.x * (frame.width - (to.width ?? frame.width)),
      y: at.y * (frame.height - (to.height ?? frame.height)),
    };
    act('Resize', (job) => moveElement(sized(job, to), element.id, by));
  }
  const sized = (job: Job, to: { width?: number; height?: number }): Job =>
    element.kind === 'words' && ink && to.width
      ? setInkWidth(job, element, ink, to.width)
      : resized(job, element, to, sources);
  return (
    <section aria-label="Position and size">
      <UnitChoice />
      {element.kind === 'words' && <MeasuredBy />}
      <ReferencePoint />
      <div className="grid grid-cols-2 gap-1.5">
        <LengthField
          {...units}
          label="X"
          hint="From the trim’s left edge"
          value={point.x}
          onChange={(x) => move(x - point.x, 0)}
        />
        <LengthField
          {...units}
          label="Y"
          hint="From the trim’s top edge"
          value={point.y}
          onChange={(y) => move(0, y - point.y)}
        />
        <LengthField
          {...units}
          label="W"
          hint={ink ? 'Width of what prints; the size follows' : 'Width'}
          value={frame.width}
          least={LEAST}
          onChange={(width) => resize({ width })}
        />
        <LengthField
          {...units}
          label="H"
          hint={element.kind === 'words' ? 'Height of its lines, unless its size is fixed' : 'Height'}
          value={frame.height}
          least={LEAST}
          disabled={element.kind === 'words' && (ink !== undefined || element.frame.behaviour !== 'fixed box')}
          onChange={(height) => resize({ height })}
        />
      </div>
      {keeps && <KeepProportions />}
      <TurnFields element={element} />
      <p className="quiet mt-1 text-[13px]">Sums and fractions: 1 1/8 in + 2 mm</p>
    </section>
  );
}

function UnitChoice() {
  const { piece, unit } = useBench();
  return (
    <div className="mb-1.5 flex items-center justify-between">
      <h2 className="heading">Position and size</h2>
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

/** Whether words are measured, and arranged, by their frame or by what is seen of their letters. */
export function MeasuredBy() {
  const { by } = useArranging();
  return (
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
          onClick={() => useArranging.setState({ by: value })}
        >
          {text}
        </button>
      ))}
    </fieldset>
  );
}

/** A size with the other side in proportion. */
function inProportion(frame: Box, to: { width?: number; height?: number }): { width: number; height: number } {
  const by = to.width === undefined ? to.height! / frame.height : to.width / frame.width;
  return { width: frame.width * by, height: frame.height * by };
}

/** Whether logos and outlines may change their proportions; kept from one element to the next. */
const useShape = create<{ free: boolean }>(() => ({ free: false }));

function KeepProportions() {
  const { free } = useShape();
  return (
    <label className="mt-1 flex cursor-pointer items-center gap-2 text-[14px]">
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        checked={!free}
        onChange={(event) => useShape.setState({ free: !event.target.checked })}
      />
      Keep proportions
    </label>
  );
}

/** How far an element is turned about its middle, and its mirror image. */
function TurnFields({ element }: { element: Element }) {
  const turn = (degrees: number): void => act('Rotate', (job) => turnElement(job, element.id, degrees));
  const flip = (way: 'across' | 'down'): void => act('Flip', (job) => flipElement(job, element.id, way));
  const canFlip = element.kind === 'picture' || element.kind === 'shape';
  const now = element.turn ?? 0;
  return (
    <div className="mt-1.5 grid grid-cols-[1fr_auto_auto_auto_auto] gap-1">
      <label className="input input-sm w-full">
        Rotate, °
        <Typed
          type="number"
          aria-label="Rotate, degrees clockwise"
          className="text-right"
          step={0.01}
          said={String(now)}
          onTake={(typed) => typed !== '' && turn(Number(typed))}
        />
      </label>
      <SmallButton name="Rotate 90° anticlockwise" onPress={() => turn(now - 90)}>
        <RotateCcw size={14} />
      </SmallButton>
      <SmallButton name="Rotate 90° clockwise" onPress={() => turn(now + 90)}>
        <RotateCw size={14} />
      </SmallButton>
      {canFlip && (
        <SmallButton name="Flip horizontally" onPress={() => flip('across')}>
          <FlipHorizontal size={14} />
        </SmallButton>
      )}
      {canFlip && (
        <SmallButton name="Flip vertically" onPress={() => flip('down')}>
          <FlipVertical size={14} />
        </SmallButton>
      )}
    </div>
  );
}

const SmallButton = ({ name, onPress, children }: { name: string; onPress(): void; children: ReactNode }) => (
  <button type="button" className="btn btn-sm btn-square" aria-label={name} title={name} onClick={onPress}>
    {children}
  </button>
);
