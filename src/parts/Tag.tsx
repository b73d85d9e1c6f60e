import { tagWidth } from './tag-width';

/** A small label on the stage, centred on a point, in pixels. */
export function Tag({ x, y, text, amber = false }: { x: number; y: number; text: string; amber?: boolean }) {
  const width = tagWidth(text);
  return (
    <g transform={`translate(${x} ${y})`} pointerEvents="none">
      <rect
        x={-width / 2}
        y={-10}
        width={width}
        height={20}
        rx={2}
        fill={amber ? '#f7e6c8' : 'var(--edge-trim)'}
        stroke={amber ? 'var(--amber)' : 'none'}
      />
      <text textAnchor="middle" y={4} fontSize="12" fontWeight="600" fill={amber ? '#4f3206' : '#fff'}>
        {text}
      </text>
    </g>
  );
}
