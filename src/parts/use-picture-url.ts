import { useEffect, useState } from 'react';

/** An address of a picture's bytes, as long as it is shown. */
export function usePictureUrl(image: Blob): string | undefined {
  const [url, setUrl] = useState<string>();
  useEffect(() => {
    const made = URL.createObjectURL(image);
    setUrl(made);
    return () => URL.revokeObjectURL(made);
  }, [image]);
  return url;
}
