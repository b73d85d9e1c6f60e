import Plus from 'lucide-react/icons/plus';
import X from 'lucide-react/icons/x';
import {
  type Fill,
  type Gradient,
  isFlat,
  isSeenThrough,
  LEAST_SPACING,
  MOST_STOPS,
  MOTIFS,
  mainPaint,
  type Pattern,
  type Split,
} from '../../../../core/colour/fill';
import { angleOf, placeAtAngle } from '../../../../core/colour/gradient-ends';
import type { Box } from '../../../../core/geometry/box';
import { setFill, setPaint } from '../../../../core/job/edits/elements';
import type { Rule, Shape, Words } from '../../../../core/job/schema';
import { elementFrame } from '../../../../core/scene/face';
import { roundIn } from '../../../../core/units/length';
import { useBench } from '../../../bench/bench';
import { Choice } from '../../../parts/Choice';
import { LengthField } from '../../../parts/LengthField';
import { NumberField } from '../../../parts/NumberField';
import { Tick } from '../../../parts/Tick';
import { act } from '../../../store/session';
import { changeLettering, tryLettering } from '../words/editing';
import { useShownLettering } from '../words/shown-lettering';
import { canFill, chooseFill, FILL_KINDS, fillKindOf } from './fills';
import { InkCard } from './InkCard';
import { PaintField } from './PaintField';

/** What fills a shape, a rule, or letters. */
export function FillCard({ element }: { element: Shape | Rule | Words }) {
  const { sources, unit } = useBench();
  const fill = element.kind === 'words' ? element.fill : element.paint;
  const kind = fillKindOf(fill);
  const frame = elementFrame(element, sources);
  const kinds = FILL_KINDS.filter(([id]) => canFill(element, id));
  const put = (name: string, to: Fill | undefined): void => act(name, (job) => setFill(job, element.id, to));
  return (
    <section aria-label="Fill" className="grid gap-1.5">
      <h2 className="heading">Fill</h2>
      <Choice
        label="Kind of fill"
        value={kind}
        options={kinds}
        onChange={(to) => chooseFill([element], to, sources, unit)}
      />
      {kind === 'flat' && (element.kind === 'words' ? <LetteredInk words={element} /> : <FlatInk element={element} />)}
      {fill && !isFlat(fill) && (fill.kind === 'linear' || fill.kind === 'radial') && (
        <GradientFields gradient={fill} frame={frame} onChange={put} />
      )}
      {fill && !isFlat(fill) && fill.kind === 'split' && <SplitFields split={fill} onChange={put} />}
      {fill && !isFlat(fill) && fill.kind === 'pattern' && <PatternFields pattern={fill} onChange={put} />}
    </section>
  );
}

function FlatInk({ element }: { element: Shape | Rule }) {
  const paint = mainPaint(element.paint) ?? { ink: 'black', tint: 1 };
  return (
    <InkCard
      paint={paint}
      edit={(to) => (job) => setPaint(job, element.id, to)}
      commit={(name, to) => act(name, (job) => setPaint(job, element.id, to))}
    />
  );
}

/** Words are painted as they are lettered: those selected in the editor, or all of them. */
function LetteredInk({ words }: { words: Words }) {
  const { lettering } = useShownLettering(words);
  return (
    <InkCard
      paint={lettering.paint}
      edit={(paint) => tryLettering(words.id, { paint })}
      commit={(name, paint) => void changeLettering(name, words.id, { paint })}
    />
  );
}

type Put = (name: string, fill: Fill) => void;

/** A stop that covers so much of what lies below. */
function covers({ cover: _before, ...stop }: Gradient['stops'][number], cover: number): Gradient['stops'][number] {
  return cover < 1 ? { ...stop, cover } : stop;
}

function GradientFields({ gradient, frame, onChange }: { gradient: Gradient; frame: Box; onChange: Put }) {
  const { stops } = gradient;
  const canBeSeenThrough = isSeenThrough(gradient);
  const put = (to: Gradient['stops']): void =>
    onChange('Gradient', { ...gradient, stops: [...to].sort((a, b) => a.at - b.at) });
  return (
    <>
      {stops.map((stop, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a stop has no other identity
        <div key={i} className="grid grid-cols-[3.6rem_1fr_auto] items-center gap-1">
          <NumberField
            label=""
            name={`Stop ${i + 1}: place in percent`}
            value={Math.round(stop.at * 1000) / 10}
            least={0}
            most={100}
            onChange={(at) => put(stops.map((each, k) => (k === i ? { ...each, at: at / 100 } : each)))}
          />
          <PaintField
            name={`Stop ${i + 1}`}
            paint={{ ink: stop.ink, tint: stop.tint }}
            onChange={(paint) => put(stops.map((each, k) => (k === i ? { ...each, ...paint } : each)))}
          />
          <button
            type="button"
            className="btn btn-ghost btn-xs btn-square"
            aria-label={`Remove stop ${i + 1}`}
            disabled={stops.length < 3}
            onClick={() => put(stops.filter((_, k) => k !== i))}
          >
            <X size={13} />
          </button>
          {canBeSeenThrough && (
            <div className="col-span-2 mb-1">
              <NumberField
                label="Opacity %"
                name={`Stop ${i + 1}: covers in percent`}
                value={Math.round((stop.cover ?? 1) * 1000) / 10}
                least={0}
                most={100}
                onChange={(percent) => put(stops.map((each, k) => (k === i ? covers(each, percent / 100) : each)))}
              />
            </div>
          )}
        </div>
      ))}
      <Tick
        checked={canBeSeenThrough}
        onChange={(on) => put(stops.map((each, k) => covers(each, on && k === stops.length - 1 ? 0 : 1)))}
      >
        What lies below is seen through it
      </Tick>
      <div className="grid grid-cols-2 gap-1.5">
        <button
          type="button"
          className="btn btn-sm"
          disabled={stops.length >= MOST_STOPS}
          onClick={() => {
            const [a, b] = stops.slice(-2) as [(typeof stops)[number], (typeof stops)[number]];
            put([...stops, { at: (a.at + b.at) / 2, ink: a.ink, tint: (a.tint + b.tint) / 2 }]);
          }}
        >
          <Plus size={14} /> Stop
        </button>
        {gradient.kind === 'linear' && (
          <NumberField
            label="Angle °"
            value={Math.round(angleOf(gradient.place, frame) * 10) / 10}
            least={-360}
            most={360}
            onChange={(angle) => onChange('Gradient', { ...gradient, place: placeAtAngle(angle, frame) })}
          />
        )}
      </div>
      <p className="quiet text-[13px]">Drag its ends and stops on the piece.</p>
    </>
  );
}

function SplitFields({ split, onChange }: { split: Split; onChange: Put }) {
  const put = (to: Partial<Split>): void => onChange('Two-colour split', { ...split, ...to });
  return (
    <>
      <PaintField name="First half" paint={split.first} onChange={(first) => put({ first })} />
      <PaintField name="Second half" paint={split.second} onChange={(second) => put({ second })} />
      <div className="grid grid-cols-2 gap-1.5">
        <NumberField label="Angle °" value={split.angle} least={-360} most={360} onChange={(angle) => put({ angle })} />
        <NumberField
          label="At %"
          name="Place of the line in percent"
          value={Math.round(split.through.y * 1000) / 10}
          least={-100}
          most={200}
          onChange={(y) => put({ through: { ...split.through, y: y / 100 } })}
        />
      </div>
    </>
  );
}

function PatternFields({ pattern, onChange }: { pattern: Pattern; onChange: Put }) {
  const { unit, echo } = useBench();
  const put = (to: Partial<Pattern>): void => onChange('Pattern', { ...pattern, ...to });
  return (
    <>
      <Choice label="Motif" value={pattern.motif} options={MOTIFS} onChange={(motif) => put({ motif })} />
      <div className="grid grid-cols-2 gap-1.5">
        <LengthField
          label="Apart"
          hint="From one to the next"
          unit={unit}
          echo={echo}
          value={pattern.spacing}
          least={LEAST_SPACING}
          most={roundIn(unit, 700, 27)}
          onChange={(spacing) => put({ spacing })}
        />
        <LengthField
          label="Weight"
          hint="Of a line, or across a dot"
          unit={unit}
          echo={echo}
          value={pattern.weight}
          least={roundIn(unit, 0.02, 0.001)}
          most={roundIn(unit, 700, 27)}
          onChange={(weight) => put({ weight })}
        />
      </div>
      <NumberField label="Angle °" value={pattern.angle} least={-360} most={360} onChange={(angle) => put({ angle })} />
      <PaintField name="Motif" paint={pattern.paint} onChange={(paint) => put({ paint })} />
      <Tick
        checked={pattern.ground !== undefined}
        onChange={(on) => {
          const { ground: _ground, ...rest } = pattern;
          onChange('Pattern', on ? { ...rest, ground: { ...pattern.paint, tint: 0.15 } } : rest);
        }}
      >
        On a ground of its own
      </Tick>
      {pattern.ground && <PaintField name="Ground" paint={pattern.ground} onChange={(ground) => put({ ground })} />}
    </>
  );
}
