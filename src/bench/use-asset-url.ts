import { useEffect, useState } from 'react';
import { db } from '../store/shelf';

/** An address for a kept picture as it is, not as the press shows it; undefined until it is here. */
export function useAssetUrl(hash: string | undefined): string | undefined {
  const [url, setUrl] = useState<string>();
  useEffect(() => {
    let made: string | undefined;
    let current = true;
    setUrl(undefined);
    if (hash)
      void db.assets.get(hash).then((row) => {
        if (!row || !current) return;
        made = URL.createObjectURL(new Blob([row.bytes.slice()]));
        setUrl(made);
      });
    return () => {
      current = false;
      if (made) URL.revokeObjectURL(made);
    };
  }, [hash]);
  return url;
}
