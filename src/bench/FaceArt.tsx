import { memo, type ReactElement, type ReactNode, useId, useMemo, useRef } from 'react';
import { hexOf, type Press } from '../../core/colour/engine';
import type { Plates } from '../../core/colour/ink';
import { type SvgNode, type SvgPaint, type SvgShade, svgDevice } from '../../core/devices/svg';
import { tonePng } from '../../core/devices/tone-png';
import type { Matrix } from '../../core/geometry/matrix';
import { boxPath, pathData, transformPath } from '../../core/geometry/path';
import { factsOf, finishOf, inked, withFinishes } from '../../core/job/finishing';
import type { Element, Face, Piece } from '../../core/job/schema';
import { drawElement, elementFrame } from '../../core/scene/face';
import { cutOutline, drawFinish, type FinishOnFace } from '../../core/scene/finishing';
import { groundsOf } from '../../core/scene/grounds';
import type { SceneSources } from '../../core/scene/sources';
import { turnOf } from '../../core/scene/turn';
import { Boundary } from '../parts/Boundary';
import { useSession } from '../store/session';
import type { Mixed, Mixtures } from './use-mixtures';
import type { Previews } from './use-previews';

interface ArtProps {
  sources: SceneSources;
  press: Press;
  previews: Previews;
}

/** Colour that runs, under a name of its own. */
function ShadeDefinition({ shade: { kind, matrix, focus, stops }, id }: { shade: SvgShade; id: string }) {
  const transform = `matrix(${matrix.join(' ')})`;
  const inner = stops.map(({ at, colour, opacity }, i) => (
    // biome-ignore lint/suspicious/noArrayIndexKey: a stop has no other identity
    <stop key={i} offset={at} stopColor={colour} stopOpacity={opacity} />
  ));
  return kind === 'linear' ? (
    <linearGradient id={id} gradientUnits="userSpaceOnUse" x1={0} y1={0} x2={1} y2={0} gradientTransform={transform}>
      {inner}
    </linearGradient>
  ) : (
    <radialGradient
      id={id}
      gradientUnits="userSpaceOnUse"
      cx={0}
      cy={0}
      r={1}
      fx={focus?.x}
      fy={focus?.y}
      gradientTransform={transform}
    >
      {inner}
    </radialGradient>
  );
}

/** What a paint is written as, and what has to be defined for it. */
const painted = (paint: SvgPaint, id: string) =>
  typeof paint === 'string'
    ? { value: paint, definition: null }
    : { value: `url(#${id})`, definition: <ShadeDefinition shade={paint} id={id} /> };

const UnitImage = ({ href, place }: { href: string; place: Matrix }) => (
  <image width={1} height={1} transform={`matrix(${place.join(' ')})`} href={href} preserveAspectRatio="none" />
);

const UNIT = boxPath({ x: 0, y: 0, width: 1, height: 1 });
/** Larger than any face, each way: what a mask reaches over. */
const FAR = 30_000;
const EVERYWHERE = { x: -FAR, y: -FAR, width: 2 * FAR, height: 2 * FAR };

interface Drawn {
  id: string;
  previews: Previews;
  /** What an overprinting part and what is below it come to, where that has been worked out. */
  mixed?: Mixed | undefined;
}

function Nodes({ nodes, id, previews, mixed }: Drawn & { nodes: readonly SvgNode[] }) {
  return nodes.map((node, i) => (
    // biome-ignore lint/suspicious/noArrayIndexKey: the drawing of an element has no other identity
    <Node key={i} node={node} id={`${id}-${i}`} previews={previews} mixed={mixed} />
  ));
}

/** Areas only: those can let a picture through. */
const pathsOf = (nodes: readonly SvgNode[]): string[] | undefined =>
  nodes.every((node) => node.kind === 'path') ? nodes.map((node) => node.d) : undefined;

/** An overprinting part as the plates have it: what it and the things below it come to, inside its outline. */
function MixedArt({ paths, id, mixed: { box, url } }: { paths: readonly string[]; id: string; mixed: Mixed }) {
  return (
    <>
      <clipPath id={`${id}x`}>
        {paths.map((d) => (
          <path key={d} d={d} />
        ))}
      </clipPath>
      <image {...box} href={url} preserveAspectRatio="none" clipPath={`url(#${id}x)`} />
    </>
  );
}

function Node({ node, id, previews, mixed }: Drawn & { node: SvgNode }) {
  switch (node.kind) {
    case 'path': {
      const { value, definition } = painted(node.fill, id);
      return (
        <>
          {definition}
          <path d={node.d} fill={value} />
        </>
      );
    }
    case 'line': {
      const { value, definition } = painted(node.stroke, id);
      const { weight, dash, cap = 'flat', join = 'mitre' } = node.pen;
      return (
        <>
          {definition}
          <path
            d={node.d}
            fill="none"
            stroke={value}
            strokeWidth={weight}
            strokeDasharray={dash?.join(' ')}
            strokeLinecap={cap === 'flat' ? 'butt' : cap}
            strokeLinejoin={join === 'mitre' ? 'miter' : join}
          />
        </>
      );
    }
    case 'text':
      throw new Error('The stage shows letters as outlines.');
    case 'tone':
      return <UnitImage href={tonePng(node.tone, node.colour)} place={node.place} />;
    case 'image': {
      const href = previews.get(node.image)?.url;
      // Until the picture is separated its place is shown, so that it can already be moved.
      if (!href) return <path d={pathData(transformPath(UNIT, node.place))} fill="#999" fillOpacity={0.4} />;
      return <UnitImage href={href} place={node.place} />;
    }
    case 'together': {
      const paths = node.overprint && mixed ? pathsOf(node.nodes) : undefined;
      if (paths && mixed) return <MixedArt paths={paths} id={id} mixed={mixed} />;
      return (
        <>
          {node.clip !== undefined && (
            <clipPath id={`${id}c`}>
              <path d={node.clip} />
            </clipPath>
          )}
          {node.fade && (
            <>
              <ShadeDefinition shade={node.fade} id={`${id}f`} />
              <mask id={`${id}m`} maskUnits="userSpaceOnUse" {...EVERYWHERE}>
                <rect {...EVERYWHERE} fill={`url(#${id}f)`} />
              </mask>
            </>
          )}
          <g
            clipPath={node.clip === undefined ? undefined : `url(#${id}c)`}
            mask={node.fade ? `url(#${id}m)` : undefined}
            opacity={node.opacity}
            className={node.overprint && 'overprint'}
          >
            <Nodes nodes={node.nodes} id={id} previews={previews} mixed={mixed} />
          </g>
        </>
      );
    }
  }
}

/** Words are hard to hit by their strokes alone, so their whole frame takes the pointer. */
function Grip({ element, sources }: { element: Element; sources: SceneSources }) {
  if (element.kind !== 'words') return null;
  const frame = elementFrame(element, sources);
  return <rect {...frame} transform={`matrix(${turnOf(element, frame).join(' ')})`} fill="transparent" />;
}

/** What does not print is seen through. */
const SAMPLE = 0.5;

/** One element through the svg device: drawn again only when it, the inks, the styles, its pictures or its ground change. */
export const ElementDrawing = memo(function ElementDrawing({
  element,
  ground,
  mixed,
  sources,
  press,
  previews,
}: ArtProps & { element: Element; ground?: Plates | undefined; mixed?: Mixed | undefined }) {
  const id = useId();
  const finish = finishOf(sources, element);
  if (finish) return <FinishDrawing on={{ finish, elements: [element], isWhole: false }} {...{ sources, press }} />;
  const grounds = new Map(ground ? [[element.id, ground]] : []);
  const device = svgDevice({ inks: sources.inks, screen: press.screen, grounds });
  drawElement(element, sources, device);
  return device.elements.map((drawn) => (
    <Nodes key={drawn.id} nodes={drawn.nodes} id={id} previews={previews} mixed={mixed} />
  ));
});

/** What a finish does, flat: in a colour that stands for it, as far as it lets what lies below be seen. */
function FinishDrawing({ on, sources, press }: Pick<ArtProps, 'sources' | 'press'> & { on: FinishOnFace }) {
  const id = useId();
  const { inks } = withFinishes(sources, [sources]);
  const device = svgDevice({ inks, screen: press.screen, grounds: new Map() });
  // It covers what lies below, as far as it does; it mixes with nothing.
  drawFinish(on, EVERYWHERE, sources, { ...device, beginOverprint() {}, endOverprint() {} });
  return (
    <g opacity={factsOf(on.finish).shown}>
      {device.elements.map((drawn) => (
        <Nodes key={drawn.id} nodes={drawn.nodes} id={`${id}-${drawn.id}`} previews={new Map()} />
      ))}
    </g>
  );
}

/** Whether two states of an element differ in nothing but where it is. */
function onlyMoved(a: Element, b: Element): boolean {
  const keys = Object.keys(a) as (keyof Element)[];
  return keys.length === Object.keys(b).length && keys.every((key) => key === 'x' || key === 'y' || a[key] === b[key]);
}

/** An element that cannot be drawn keeps its place, so that it can be selected and deleted. */
const Undrawn = ({ element }: { element: Element }) => (
  <rect
    data-element={element.id}
    x={element.x}
    y={element.y}
    width={'width' in element ? element.width : 60}
    height={'height' in element ? element.height : 12}
    fill="#fff"
    fillOpacity={0.6}
    stroke="#b3261e"
    strokeDasharray="3 2"
  >
    <title>This element cannot be drawn. Undo, or delete it.</title>
  </rect>
);

type OnGround = ArtProps & { element: Element; ground: Plates | undefined; mixed: Mixed | undefined };

/** An element that can be picked up. One that is only moved keeps its drawing, and is moved as a whole. */
const ElementArt = memo(function ElementArt({ element, ground, mixed, ...art }: OnGround) {
  const drawn = useRef(element);
  const isMoving = useSession(({ live, selected }) => live?.name === 'Move' && selected.includes(element.id));
  if (!isMoving || !onlyMoved(drawn.current, element)) drawn.current = element;
  const [dx, dy] = [element.x - drawn.current.x, element.y - drawn.current.y];
  return (
    <g
      data-element={element.id}
      data-locked={element.locked}
      opacity={element.sample ? SAMPLE : undefined}
      style={isMoving ? { transform: `translate(${dx}px, ${dy}px)`, willChange: 'transform' } : undefined}
    >
      <ElementDrawing element={drawn.current} ground={ground} mixed={isMoving ? undefined : mixed} {...art} />
      <Grip element={drawn.current} sources={art.sources} />
    </g>
  );
});

/** Everything on a face as `shownFaces` has it, bottom first, and what lies between it and the paper. Goes inside an <svg> in points from the trim's corner. */
export function FaceArt({
  face,
  sources,
  press,
  previews,
  under,
  mixtures,
  held,
}: ArtProps & {
  face: Face;
  under?: ReactNode;
  mixtures?: Mixtures;
  /** The piece, where it is shown as one holds it: what its die line cuts away is not there. */
  held?: Piece | undefined;
}) {
  const clip = useId();
  const die = useMemo(() => held && cutOutline(held, face), [held, face]);
  // An element that stays the same is the same drawing: React then does not even compare it.
  const made = useMemo(() => {
    const kept = new WeakMap<Element, { on: string; art: ReactElement }>();
    return (element: Element, ground: Plates | undefined, mixed: Mixed | undefined): ReactElement => {
      const found = kept.get(element);
      const on = `${JSON.stringify(ground ?? null)} ${mixed?.url ?? ''}`;
      if (found?.on === on) return found.art;
      const more = { sources, press, previews };
      const art = (
        <Boundary key={element.id} instead={() => <Undrawn element={element} />}>
          <ElementArt element={element} ground={ground} mixed={mixed} {...more} />
        </Boundary>
      );
      kept.set(element, { on, art });
      return art;
    };
  }, [sources, press, previews]);
  const grounds = useMemo(() => groundsOf({ ...face, elements: inked(face.elements) }, sources), [face, sources]);
  // Finishing lies over all inks, wherever it stands in the stack.
  const [inkedFirst, finishedLast] = useMemo(
    () => [inked(face.elements), face.elements.filter(({ finish }) => finish !== undefined)],
    [face],
  );
  const art = (element: Element): ReactElement | null =>
    element.hidden ? null : made(element, grounds.get(element.id), mixtures?.get(element.id));
  const whole = (sources.finishing ?? []).filter((finish) => finish.whole?.includes(face.id));
  return (
    <g clipPath={die && `url(#${clip})`} style={sources.stock ? { isolation: 'isolate' } : undefined}>
      {die && (
        <clipPath id={clip}>
          <path d={pathData(die)} />
        </clipPath>
      )}
      <Paper />
      {under}
      {inkedFirst.map(art)}
      {/* Inks are filters over the stock; what is foiled or varnished lies on top of both. */}
      {sources.stock && (
        <rect {...EVERYWHERE} fill={sources.stock} style={{ mixBlendMode: 'multiply' }} pointerEvents="none" />
      )}
      {finishedLast.map(art)}
      {(held ? [] : whole).map((finish) => (
        <rect
          key={finish.id}
          {...EVERYWHERE}
          fill={hexOf(press.screen([...factsOf(finish).cmyk]))}
          opacity={factsOf(finish).shown / 3}
          pointerEvents="none"
        />
      ))}
    </g>
  );
}

/** White stock under everything. It runs as far out as any art, so that both are cut by the same edge and none shows at it. */
const Paper = () => <rect x={-30_000} y={-30_000} width={60_000} height={60_000} fill="#fff" />;
