import { useMemo } from 'react';
import type { Logo } from '../../core/job/house';
import { useBench, usePrinted } from './bench';
import { ElementDrawing } from './FaceArt';

/** A logo with its clear space drawn around it. */
export function LogoDrawing({ logo, clear = false }: { logo: Logo; clear?: boolean }) {
  const { sources, press } = useBench();
  const { previews } = usePrinted();
  const margin = clear ? logo.clear * logo.height : 0;
  const { width, height } = logo;
  const view = `${-margin} ${-margin} ${width + 2 * margin} ${height + 2 * margin}`;
  const drawn = useMemo(
    () =>
      logo.elements.map((element) => (
        <ElementDrawing key={element.id} element={element} sources={sources} press={press} previews={previews} />
      )),
    [logo.elements, sources, press, previews],
  );
  return (
    <svg viewBox={view} className="h-full w-full" role="img" aria-label={logo.name}>
      {clear && (
        <>
          <rect
            x={-margin}
            y={-margin}
            width={width + 2 * margin}
            height={height + 2 * margin}
            fill="var(--color-secondary)"
            opacity={0.16}
          />
          <rect width={width} height={height} fill={logo.use === 'reversed' ? '#5a5a55' : '#fff'} />
        </>
      )}
      {drawn}
    </svg>
  );
}
