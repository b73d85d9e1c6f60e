import { useMemo, useState } from 'react';
import { usePictureUrl } from '../../../parts/use-picture-url';

/** An SVG drawing as the browser shows it, which runs nothing that is in it and fetches nothing. */
export function DrawingPicture({ bytes }: { bytes: Uint8Array }) {
  const url = usePictureUrl(useMemo(() => new Blob([bytes.slice()], { type: 'image/svg+xml' }), [bytes]));
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
