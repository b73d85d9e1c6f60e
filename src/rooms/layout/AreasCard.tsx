import { useState } from 'react';
import { COMBININGS } from '../../../core/geometry/boolean-names';
import type { Shape } from '../../../core/job/schema';
import { roundIn } from '../../../core/units/length';
import { useBench } from '../../bench/bench';
import { Choice } from '../../parts/Choice';
import { Fold } from '../../parts/Fold';
import { LengthField } from '../../parts/LengthField';
import { NumberField } from '../../parts/NumberField';
import {
  addOffset,
  COMBINE_SAYS,
  combineSelection,
  cropByShape,
  cutSlits,
  linesToShapes,
  pushOutline,
} from './shaping';

type Join = 'mitre' | 'round';

/** What can be made of several areas. */
export function CombineCard() {
  const bench = useBench();
  const { selection } = bench;
  const canCrop =
    selection.length === 2 && ['picture', 'shape'].every((kind) => selection.some((e) => e.kind === kind));
  if (selection.length < 2 || selection.length > 100) return null;
  return (
    <section aria-label="Areas" className="grid gap-1.5">
      <h2 className="heading">As areas</h2>
      <div className="grid grid-cols-2 gap-1.5">
        {COMBININGS.map((how) => (
          <button
            key={how}
            type="button"
            className="btn btn-sm px-1 text-[12.5px] leading-4"
            onClick={() => void combineSelection(bench, how)}
          >
            {COMBINE_SAYS[how]}
          </button>
        ))}
        {canCrop && (
          <button type="button" className="btn btn-sm px-1 text-[12.5px] leading-4" onClick={() => cropByShape(bench)}>
            Crop by the shape
          </button>
        )}
      </div>
    </section>
  );
}

/** An even border, slits, and what a shape can become. */
export function AreaCard({ shape }: { shape: Shape }) {
  const bench = useBench();
  const { unit, echo } = bench;
  const [by, setBy] = useState(-roundIn(unit, 2, 1 / 16));
  const [join, setJoin] = useState<Join>('mitre');
  const [slits, setSlits] = useState({ count: 3, width: roundIn(unit, 0.5, 1 / 64), angle: 15 });
  const [problem, setProblem] = useState<string>();
  const tell = (made: boolean): void =>
    setProblem(made ? undefined : 'Nothing is left of the shape that far in. Enter a shorter distance.');
  return (
    <Fold title="Border, slits, outline" inUse={false}>
      <LengthField
        label="Offset (negative goes inward)"
        hint="By exactly so much all round; in where it is negative"
        unit={unit}
        echo={echo}
        value={by}
        least={-roundIn(unit, 350, 13)}
        most={roundIn(unit, 350, 13)}
        refuse={(p) => (p === 0 ? 'Enter a distance other than 0.' : undefined)}
        onChange={setBy}
      />
      <Choice<Join>
        label="Corners of the border"
        value={join}
        options={[
          ['mitre', 'Corners stay as they are'],
          ['round', 'Corners come out round'],
        ]}
        onChange={setJoin}
      />
      <div className="grid grid-cols-2 gap-1.5">
        <button
          type="button"
          className="btn btn-sm px-1 text-[12.5px] leading-4"
          onClick={() => tell(addOffset(shape, by, join))}
        >
          As another shape
        </button>
        <button
          type="button"
          className="btn btn-sm px-1 text-[12.5px] leading-4"
          onClick={() => tell(pushOutline(shape, by, join))}
        >
          The shape itself
        </button>
      </div>
      {problem && (
        <p role="alert" className="text-[13px] text-error">
          {problem}
        </p>
      )}
      <div className="grid grid-cols-2 gap-1.5">
        <NumberField
          label="Slits"
          value={slits.count}
          least={1}
          most={60}
          onChange={(count) => setSlits({ ...slits, count: Math.round(count) })}
        />
        <NumberField
          label="Angle °"
          name="Angle of the slits"
          value={slits.angle}
          least={-90}
          most={90}
          onChange={(angle) => setSlits({ ...slits, angle })}
        />
      </div>
      <LengthField
        label="Slit width"
        unit={unit}
        echo={echo}
        value={slits.width}
        least={roundIn(unit, 0.01, 0.001)}
        most={roundIn(unit, 170, 6.5)}
        onChange={(width) => setSlits({ ...slits, width })}
      />
      <button
        type="button"
        className="btn btn-sm justify-self-start"
        onClick={() => void cutSlits(bench, shape, slits)}
      >
        Cut the slits
      </button>
      {shape.stroke && (
        <button type="button" className="btn btn-sm justify-self-start" onClick={() => linesToShapes(bench)}>
          Convert stroke to shape
        </button>
      )}
    </Fold>
  );
}
