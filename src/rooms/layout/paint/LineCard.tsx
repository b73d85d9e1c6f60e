import type { Stroke } from '../../../../core/colour/fill';
import { setLettersStroke, setRuleLine, setStroke } from '../../../../core/job/edits/elements';
import { type LettersStroke, RULE_ENDS, type Rule, type Shape, type Words } from '../../../../core/job/schema';
import { roundIn } from '../../../../core/units/length';
import { useBench } from '../../../bench/bench';
import { Choice } from '../../../parts/Choice';
import { Fold } from '../../../parts/Fold';
import { LengthField } from '../../../parts/LengthField';
import { Tick } from '../../../parts/Tick';
import { act } from '../../../store/session';
import { NEW_STROKE } from './effects';
import { PaintField } from './PaintField';

const CAPS = ['flat', 'round', 'square'] as const;
const JOINS = ['mitre', 'round', 'bevel'] as const;

/** A dash and a gap, or a whole line. */
function DashFields({
  dash,
  usual,
  onChange,
}: {
  dash: readonly number[] | undefined;
  usual: number;
  onChange(dash: [number, number] | undefined): void;
}) {
  const { unit, echo } = useBench();
  const [length, gap = length] = dash ?? [];
  return (
    <>
      <Tick checked={dash !== undefined} onChange={(on) => onChange(on ? [usual, usual] : undefined)}>
        Dashes
      </Tick>
      {length !== undefined && gap !== undefined && (
        <div className="grid grid-cols-2 gap-1.5">
          <LengthField
            label="Dash"
            unit={unit}
            echo={echo}
            value={length}
            least={roundIn(unit, 0.02, 0.001)}
            most={roundIn(unit, 700, 27)}
            onChange={(to) => onChange([to, gap])}
          />
          <LengthField
            label="Gap"
            unit={unit}
            echo={echo}
            value={gap}
            least={roundIn(unit, 0.02, 0.001)}
            most={roundIn(unit, 700, 27)}
            onChange={(to) => onChange([length, to])}
          />
        </div>
      )}
    </>
  );
}

/** How a rule is cut and how it ends. */
export function RuleCard({ rule }: { rule: Rule }) {
  const weight = Math.min(rule.width, rule.height);
  const put = (to: { dash?: Rule['dash']; ends?: Rule['ends'] }): void =>
    act('Rule', (job) => setRuleLine(job, rule.id, { dash: rule.dash, ends: rule.ends, ...to }));
  return (
    <section aria-label="Line" className="grid gap-1.5">
      <h2 className="heading">Line</h2>
      <Choice
        label="Ends"
        value={rule.ends ?? 'flat'}
        options={RULE_ENDS.map(
          (end) =>
            [end, { flat: 'Butt cap', round: 'Round cap', arrow: 'Arrow', arrows: 'Arrows both ways' }[end]] as const,
        )}
        onChange={(ends) => put({ ends })}
      />
      <DashFields dash={rule.dash} usual={Math.max(1, 4 * weight)} onChange={(dash) => put({ dash })} />
    </section>
  );
}

/** The line along a shape's outline; new shapes have none. */
export function StrokeCard({ shape }: { shape: Shape }) {
  const { unit, echo } = useBench();
  const { stroke } = shape;
  const put = (to: Stroke | undefined): void => act('Stroke', (job) => setStroke(job, shape.id, to));
  return (
    <Fold title="Stroke" inUse={stroke !== undefined}>
      <Tick checked={stroke !== undefined} onChange={(on) => put(on ? NEW_STROKE : undefined)}>
        Stroke
      </Tick>
      {stroke && (
        <>
          <LengthField
            label="Weight"
            hint="Half of it lies to either side of the outline"
            unit={unit}
            echo={echo}
            value={stroke.weight}
            least={roundIn(unit, 0.01, 0.001)}
            most={roundIn(unit, 350, 13)}
            onChange={(weight) => put({ ...stroke, weight })}
          />
          <PaintField name="Stroke" paint={stroke.paint} onChange={(paint) => put({ ...stroke, paint })} />
          <div className="grid grid-cols-2 gap-1.5">
            <Choice
              label="Cap"
              value={stroke.cap ?? 'flat'}
              options={CAPS.map(
                (cap) => [cap, cap === 'flat' ? 'Butt' : cap[0]!.toUpperCase() + cap.slice(1)] as const,
              )}
              onChange={(cap) => put({ ...stroke, cap })}
            />
            <Choice
              label="Join"
              value={stroke.join ?? 'mitre'}
              options={JOINS.map((join) => [join, join[0]!.toUpperCase() + join.slice(1)] as const)}
              onChange={(join) => put({ ...stroke, join })}
            />
          </div>
          <DashFields
            dash={stroke.dash}
            usual={Math.max(1, 4 * stroke.weight)}
            onChange={(dash) => {
              const { dash: _dash, ...rest } = stroke;
              put(dash ? { ...rest, dash } : rest);
            }}
          />
        </>
      )}
    </Fold>
  );
}

const PLACES = [
  ['outside', 'Outside the letters'],
  ['centred', 'Centred on their edge'],
  ['inside', 'Inside the letters'],
] as const;

/** The line along the letters of words. */
export function LettersStrokeCard({ words }: { words: Words }) {
  const { unit, echo } = useBench();
  const { stroke } = words;
  const put = (to: LettersStroke | undefined): void => act('Stroke', (job) => setLettersStroke(job, words.id, to));
  return (
    <Fold title="Stroke" inUse={stroke !== undefined}>
      <Tick
        checked={stroke !== undefined}
        onChange={(on) => put(on ? { paint: NEW_STROKE.paint, weight: 0.5, place: 'outside' } : undefined)}
      >
        Stroke
      </Tick>
      {stroke && (
        <>
          <LengthField
            label="Weight"
            unit={unit}
            echo={echo}
            value={stroke.weight}
            least={roundIn(unit, 0.01, 0.001)}
            most={roundIn(unit, 70, 2.75)}
            onChange={(weight) => put({ ...stroke, weight })}
          />
          <Choice
            label="Place of the stroke"
            value={stroke.place}
            options={PLACES}
            onChange={(place) => put({ ...stroke, place })}
          />
          <PaintField name="Stroke" paint={stroke.paint} onChange={(paint) => put({ ...stroke, paint })} />
        </>
      )}
    </Fold>
  );
}
