import { unionOf } from '../../../../core/geometry/box';
import { elementBox } from '../../../../core/scene/face';
import { useBench } from '../../../bench/bench';
import { LengthField } from '../../../parts/LengthField';
import { NumberField } from '../../../parts/NumberField';
import { Tick } from '../../../parts/Tick';
import { moveSelection, scaleSelection, turnSelection } from './arranging';
import { ReferencePoint, useReference } from './ReferencePoint';
import { useScaling } from './scaling';

const LEAST = 0.25;

/** Where several things are and how large, as one. They keep their proportions. */
export function SeveralMeasures() {
  const bench = useBench();
  const { unit, echo, sources, selection } = bench;
  const { type } = useScaling();
  const at = useReference();
  const box = unionOf(selection.filter((e) => !e.locked).map((e) => elementBox(e, sources)));
  if (!box) return null;
  const units = { unit, echo };
  const point = { x: box.x + at.x * box.width, y: box.y + at.y * box.height };
  // The reference point stays where it is while the rest grows about it.
  const scale = (by: number): void => {
    const [width, height] = [box.width * by, box.height * by];
    scaleSelection(bench, { x: point.x - at.x * width, y: point.y - at.y * height, width, height });
  };
  return (
    <section aria-label="Position and size" className="grid gap-1.5">
      <h2 className="heading">Position and size of the selection</h2>
      <ReferencePoint />
      <div className="grid grid-cols-2 gap-1.5">
        <LengthField
          {...units}
          label="X"
          value={point.x}
          onChange={(x) => moveSelection(bench, { x: x - point.x, y: 0 })}
        />
        <LengthField
          {...units}
          label="Y"
          value={point.y}
          onChange={(y) => moveSelection(bench, { x: 0, y: y - point.y })}
        />
        <LengthField {...units} label="W" value={box.width} least={LEAST} onChange={(w) => scale(w / box.width)} />
        <LengthField {...units} label="H" value={box.height} least={LEAST} onChange={(h) => scale(h / box.height)} />
      </div>
      <NumberField
        label="Rotate all by, °"
        value={0}
        least={-360}
        most={360}
        step={0.01}
        onChange={(by) => turnSelection(bench, by)}
      />
      <Tick checked={type} onChange={(on) => useScaling.setState({ type: on })}>
        Type and weights grow along
      </Tick>
    </section>
  );
}
