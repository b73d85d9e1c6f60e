import type { Fade, Fill, Gradient, Split } from '../../../../core/colour/fill';
import { isFlat, isGradient } from '../../../../core/colour/fill';
import { endsOf, placeBetween } from '../../../../core/colour/gradient-ends';
import type { Box, Point } from '../../../../core/geometry/box';
import { apply, invert } from '../../../../core/geometry/matrix';
import { setFill } from '../../../../core/job/edits/elements';
import { setFade } from '../../../../core/job/edits/pictures';
import type { Element, Job } from '../../../../core/job/schema';
import { elementFrame } from '../../../../core/scene/face';
import { turnOf } from '../../../../core/scene/turn';
import { useBench } from '../../../bench/bench';
import { usePull } from '../../../bench/use-pull';
import { onScreen, type View } from '../view';

/** A point of a fill that can be dragged: where it is on the face before the element is turned, and what it changes. */
interface Grip {
  name: string;
  at: Point;
  round?: boolean;
  moved(to: Point): (job: Job) => Job;
}

const along = (from: Point, to: Point, t: number): Point => ({
  x: from.x + (to.x - from.x) * t,
  y: from.y + (to.y - from.y) * t,
});
/** How far along a line a point lies, 0 to 1. */
function shareAlong(from: Point, to: Point, p: Point): number {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const t = ((p.x - from.x) * dx + (p.y - from.y) * dy) / (dx * dx + dy * dy || 1);
  return Math.max(0, Math.min(1, Math.round(t * 1000) / 1000));
}

/** The ends of something that runs, gradient or fade. A radial one moves as a whole by its middle. */
function endGrips(
  { kind, place }: Gradient | Fade,
  frame: Box,
  put: (place: Gradient['place']) => (job: Job) => Job,
): Grip[] {
  const { from, to } = endsOf(place, frame);
  return [
    {
      name: kind === 'linear' ? 'Where it begins' : 'Its middle',
      at: from,
      moved: (p) =>
        put(placeBetween(p, kind === 'linear' ? to : { x: to.x + p.x - from.x, y: to.y + p.y - from.y }, frame)),
    },
    { name: kind === 'linear' ? 'Where it ends' : 'Its edge', at: to, moved: (p) => put(placeBetween(from, p, frame)) },
  ];
}

function gradientGrips(gradient: Gradient, frame: Box, put: (fill: Fill) => (job: Job) => Job): Grip[] {
  const { from, to } = endsOf(gradient.place, frame);
  const inner = gradient.stops.flatMap((stop, i): Grip[] =>
    stop.at <= 0 || stop.at >= 1
      ? []
      : [
          {
            name: `Stop ${i + 1}`,
            at: along(from, to, stop.at),
            round: true,
            moved: (p) => {
              const at = shareAlong(from, to, p);
              const [low, high] = [gradient.stops[i - 1]?.at ?? 0, gradient.stops[i + 1]?.at ?? 1];
              const held = Math.max(low, Math.min(high, at));
              return put({
                ...gradient,
                stops: gradient.stops.map((each, k) => (k === i ? { ...each, at: held } : each)),
              });
            },
          },
        ],
  );
  return [...endGrips(gradient, frame, (place) => put({ ...gradient, place })), ...inner];
}

function splitGrips(split: Split, frame: Box, put: (fill: Fill) => (job: Job) => Job): Grip[] {
  const through = { x: frame.x + split.through.x * frame.width, y: frame.y + split.through.y * frame.height };
  const arm = Math.max(20, frame.width / 3);
  const radians = (split.angle * Math.PI) / 180;
  const end = { x: through.x + arm * Math.cos(radians), y: through.y + arm * Math.sin(radians) };
  const share = (value: number): number => Math.max(-1000, Math.min(1000, value));
  return [
    {
      name: 'The line between the halves',
      at: through,
      moved: (p) =>
        put({
          ...split,
          through: { x: share((p.x - frame.x) / frame.width), y: share((p.y - frame.y) / frame.height) },
        }),
    },
    {
      name: 'The turn of the line',
      at: end,
      round: true,
      moved: (p) => {
        const angle = (Math.atan2(p.y - through.y, p.x - through.x) * 180) / Math.PI;
        return put({ ...split, angle: Math.round(angle * 10) / 10 });
      },
    },
  ];
}

function gripsOf(element: Element, frame: Box): Grip[] {
  if (element.kind === 'picture')
    return element.fade
      ? endGrips(element.fade, frame, (place) => (job) => setFade(job, element.id, { ...element.fade!, place }))
      : [];
  if (element.kind === 'code') return [];
  const fill = element.kind === 'words' ? element.fill : element.paint;
  if (!fill || isFlat(fill)) return [];
  const put = (to: Fill) => (job: Job) => setFill(job, element.id, to);
  if (isGradient(fill)) return gradientGrips(fill, frame, put);
  return fill.kind === 'split' ? splitGrips(fill, frame, put) : [];
}

/** Where a fill or a fade begins, ends and turns over, to be dragged on the piece. */
export function FillHandles({ element, origin, view }: { element: Element; origin: Point; view: View }) {
  const { sources } = useBench();
  const frame = elementFrame(element, sources);
  const turn = turnOf(element, frame);
  const grips = gripsOf(element, frame);
  const screen = (p: Point): Point => onScreen({ ...apply(turn, p), width: 0, height: 0 }, origin, view);
  const places = grips.map((grip) => screen(grip.at));

  const pull = usePull<Grip>((grip, by) => {
    const back = invert(turn);
    const seen = apply(turn, grip.at);
    return back && grip.moved(apply(back, { x: seen.x + by.x / view.zoom, y: seen.y + by.y / view.zoom }));
  });
  return (
    <g>
      {places.length > 1 && (
        <path
          d={`M${places[0]!.x} ${places[0]!.y}L${places[1]!.x} ${places[1]!.y}`}
          stroke="#fff"
          strokeWidth="3"
          pointerEvents="none"
        />
      )}
      {places.length > 1 && (
        <path
          d={`M${places[0]!.x} ${places[0]!.y}L${places[1]!.x} ${places[1]!.y}`}
          stroke="var(--edge-trim)"
          strokeWidth="1.2"
          pointerEvents="none"
        />
      )}
      {grips.map((grip, i) => {
        const { x, y } = places[i]!;
        return (
          <g key={grip.name} data-bar data-grip={grip.name} style={{ cursor: 'move' }} {...pull(() => grip, 'Fill')}>
            <title>{grip.name}</title>
            <circle cx={x} cy={y} r={10} fill="transparent" />
            {grip.round ? (
              <circle cx={x} cy={y} r={5} fill="#fff" stroke="var(--edge-trim)" strokeWidth="1.5" />
            ) : (
              <path
                d={`M${x} ${y - 6.5}l6.5 6.5l-6.5 6.5l-6.5 -6.5z`}
                fill="#fff"
                stroke="var(--edge-trim)"
                strokeWidth="1.5"
              />
            )}
          </g>
        );
      })}
    </g>
  );
}
