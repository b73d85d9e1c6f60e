import { useEffect, useRef, useState } from 'react';
import { pressRoom } from '../../../workers/press-room';
import { keepAsset } from '../../store/db';
import { addPicture } from './add';
import type { Bench } from './bench';

/** Takes pictures in by choice, drop or paste: looked over in the worker, then kept, then placed. */
export function usePictures(bench: Bench | undefined): {
  take(files: Iterable<File>): Promise<void>;
  message: string | undefined;
  busy: boolean;
  dismiss(): void;
} {
  const [message, setMessage] = useState<string>();
  const [busy, setBusy] = useState(false);
  const latest = useRef(bench);
  latest.current = bench;

  async function take(files: Iterable<File>): Promise<void> {
    setMessage(undefined);
    setBusy(true);
    for (const file of files) {
      try {
        const bytes = new Uint8Array(await file.arrayBuffer());
        const { hash, asset } = await pressRoom().takeIn(bytes, file.name);
        await keepAsset(hash, bytes);
        if (latest.current) addPicture(latest.current, hash, asset);
      } catch (error) {
        setMessage(`${file.name}: ${(error as Error).message}`);
      }
    }
    setBusy(false);
  }

  useEffect(() => {
    const drop = (event: DragEvent): void => {
      if (!event.dataTransfer?.types.includes('Files')) return;
      event.preventDefault();
      if (event.type === 'drop') void take(event.dataTransfer.files);
    };
    const paste = (event: ClipboardEvent): void => {
      const files = [...(event.clipboardData?.files ?? [])];
      if (files.length > 0) void take(files);
    };
    window.addEventListener('dragover', drop);
    window.addEventListener('drop', drop);
    window.addEventListener('paste', paste);
    return () => {
      window.removeEventListener('dragover', drop);
      window.removeEventListener('drop', drop);
      window.removeEventListener('paste', paste);
    };
  }, []);

  return { take, message, busy, dismiss: () => setMessage(undefined) };
}
