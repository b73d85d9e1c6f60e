import { useMemo, useState } from 'react';
import { plainBytes } from '../../../../core/files/svg-in/packed';
import { usePictureUrl } from '../../../parts/use-picture-url';

/** One that cannot be unpacked cannot be shown either: what is wrong with it is told by who reads it. */
function imageOf(bytes: Uint8Array): Blob {
  try {
    return new Blob([plainBytes(bytes).slice()], { type: 'image/svg+xml' });
  } catch {
    return new Blob([]);
  }
}

/** An SVG drawing as the browser shows it, which runs nothing that is in it and fetches nothing. */
export function DrawingPicture({ bytes }: { bytes: Uint8Array }) {
  const url = usePictureUrl(useMemo(() => imageOf(bytes), [bytes]));
  const [isGone, setIsGone] = useState(false);
  if (isGone) return <p className="quiet text-[13px]">This drawing cannot be shown.</p>;
  return (
    url && (
      <img
        src={url}
        alt="The drawing"
        className="h-44 w-full border border-black/25 bg-white object-contain p-2"
        onError={() => setIsGone(true)}
      />
    )
  );
}
