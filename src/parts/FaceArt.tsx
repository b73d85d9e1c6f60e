import { memo } from 'react';
import type { Press } from '../../core/colour/engine';
import { type SvgNode, svgDevice } from '../../core/devices/svg';
import type { Element, Face } from '../../core/job/schema';
import { drawElement, elementFrame } from '../../core/scene/face';
import type { SceneSources } from '../../core/scene/sources';
import { turnOf } from '../../core/scene/turn';
import type { Previews } from './use-previews';

interface ArtProps {
  sources: SceneSources;
  press: Press;
  previews: Previews;
}

function Node({ node, id, previews }: { node: SvgNode; id: string; previews: Previews }) {
  if (node.kind === 'path') return <path d={node.d} fill={node.fill} />;
  if (node.kind === 'line') return <path d={node.d} fill="none" stroke={node.stroke} strokeWidth={node.weight} />;
  const href = previews.get(node.asset)?.url;
  // Until the picture is separated its place is shown, so that it can already be moved.
  if (!href) return <path d={node.clip} fill="#999" fillOpacity={0.4} />;
  return (
    <>
      <clipPath id={`clip-${id}`}>
        <path d={node.clip} />
      </clipPath>
      <g clipPath={`url(#clip-${id})`}>
        <image
          width={1}
          height={1}
          transform={`matrix(${node.place.join(' ')})`}
          href={href}
          preserveAspectRatio="none"
        />
      </g>
    </>
  );
}

/** Words are hard to hit by their strokes alone, so their whole frame takes the pointer. */
function Grip({ element, sources }: { element: Element; sources: SceneSources }) {
  if (element.kind !== 'words') return null;
  const frame = elementFrame(element, sources);
  return <rect {...frame} transform={`matrix(${turnOf(element, frame).join(' ')})`} fill="transparent" />;
}

/** What does not print is seen through. */
const SAMPLE = 0.5;

/** One element through the svg device: drawn again only when it, the inks, the styles or its pictures change. */
export const ElementDrawing = memo(function ElementDrawing({
  element,
  sources,
  press,
  previews,
}: ArtProps & { element: Element }) {
  const device = svgDevice({ inks: sources.inks, screen: press.screen });
  drawElement(element, sources, device);
  return device.elements.flatMap((drawn) =>
    drawn.nodes.map((node, i) => (
      // biome-ignore lint/suspicious/noArrayIndexKey: the drawing of an element has no other identity
      <Node key={i} node={node} id={`${element.id}-${i}`} previews={previews} />
    )),
  );
});

/** An element that can be picked up. */
const ElementArt = memo(function ElementArt({ element, ...art }: ArtProps & { element: Element }) {
  return (
    <g data-element={element.id} data-locked={element.locked} opacity={element.sample ? SAMPLE : undefined}>
      <ElementDrawing element={element} {...art} />
      <Grip element={element} sources={art.sources} />
    </g>
  );
});

/** Everything on a face as `shownFaces` has it, bottom first. Goes inside an <svg> in points from the trim's corner. */
export function FaceArt({ face, ...art }: ArtProps & { face: Face }) {
  return (
    <>
      <Paper />
      {face.elements.map((element) =>
        element.hidden ? null : <ElementArt key={element.id} element={element} {...art} />,
      )}
    </>
  );
}

/** White stock under everything. It runs as far out as any art, so that both are cut by the same edge and none shows at it. */
const Paper = () => <rect x={-30_000} y={-30_000} width={60_000} height={60_000} fill="#fff" />;
