import type { Face } from '../../../core/job/schema';
import { useRoom } from '../room';
import { useAssetUrl } from '../use-asset-url';

/** A face's template, below the work or above it; hidden by a key. */
export function UnderlayImage({ face, over }: { face: Face; over: boolean }) {
  const { underlay } = face;
  const shown = useRoom((room) => room.underlay);
  const url = useAssetUrl(underlay?.asset);
  if (!underlay || !url || !shown || Boolean(underlay.over) !== over) return null;
  const { x, y, width, height, opacity } = underlay;
  return (
    <image
      data-underlay={face.id}
      {...{ x, y, width, height }}
      href={url}
      opacity={opacity}
      preserveAspectRatio="none"
      pointerEvents="none"
    />
  );
}
