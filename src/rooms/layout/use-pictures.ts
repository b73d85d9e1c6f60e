import { useCallback, useEffect, useRef, useState } from 'react';
import type { Point } from '../../../core/geometry/box';
import { intake } from '../../../workers/intake';
import type { Bench } from '../../bench/bench';
import { addFontFile, isFontFile } from '../../bench/own-fonts';
import { artKindOf } from '../../parts/art-file';
import { isTyping } from '../../parts/typing';
import { addPicture } from './add';
import { paste } from './clipboard';
import { receive } from './drawing-in/incoming';

interface Place {
  face: string;
  at: Point;
}

/** The face under the pointer, and the point on it from its trim corner. */
function placeUnder(event: DragEvent): Place | undefined {
  const sheet = document.elementFromPoint(event.clientX, event.clientY)?.closest('svg[data-face]');
  if (!(sheet instanceof SVGSVGElement)) return undefined;
  const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(sheet.getScreenCTM()!.inverse());
  return { face: sheet.dataset['face']!, at: { x, y } };
}

interface Pictures {
  take(files: Iterable<File>, place?: Place): Promise<void>;
  /** What was wrong with the last ones, in words. */
  message: string | undefined;
  /** What of their files is not kept as it came, in words. */
  told: string | undefined;
  busy: boolean;
  dismiss(): void;
}

/** Takes pictures and font files in by choice, drop or paste: looked over in the worker, then kept, then placed. */
export function usePictures(bench: Bench | undefined): Pictures {
  const [message, setMessage] = useState<string>();
  const [told, setTold] = useState<string>();
  const [busy, setBusy] = useState(false);
  const latest = useRef(bench);
  latest.current = bench;

  const take = useCallback(async (files: Iterable<File>, place?: Place): Promise<void> => {
    setMessage(undefined);
    setTold(undefined);
    setBusy(true);
    const failures: string[] = [];
    const notes: string[] = [];
    for (const file of files) {
      try {
        if (isFontFile(file)) {
          const asked = await addFontFile(file);
          if (asked) notes.push(asked);
          setTold(notes.join(' ') || undefined);
          continue;
        }
        const kind = await artKindOf(file);
        if (kind) {
          const bytes = new Uint8Array(await file.arrayBuffer());
          const face = place?.face ?? latest.current?.face.id ?? '';
          receive({ name: file.name, bytes, kind, face, at: place?.at });
          continue;
        }
        const { hash, asset, told: differs } = await intake().takeIn(file, file.name);
        const now = latest.current;
        const face = now?.piece.faces.find((f) => f.id === place?.face) ?? now?.face;
        if (now && face) addPicture({ ...now, face }, hash, asset, place?.at);
        if (differs.length > 0) notes.push(`${file.name}: ${differs.join(' ')}`);
        setTold(notes.join(' ') || undefined);
      } catch (error) {
        // Each is told of, whatever comes after it.
        failures.push(`${file.name}: ${(error as Error).message}`);
        setMessage(failures.join(' '));
      }
    }
    setBusy(false);
  }, []);

  useEffect(() => {
    const drop = (event: DragEvent): void => {
      if (!event.dataTransfer?.types.includes('Files')) return;
      event.preventDefault();
      if (event.type !== 'drop') return;
      const place = placeUnder(event);
      if (place) latest.current?.setFace(place.face);
      void take(event.dataTransfer.files, place);
    };
    const pasted = (event: ClipboardEvent): void => {
      const files = [...(event.clipboardData?.files ?? [])];
      if (files.length > 0) void take(files);
      else if (latest.current && !isTyping()) paste(latest.current);
    };
    window.addEventListener('dragover', drop);
    window.addEventListener('drop', drop);
    window.addEventListener('paste', pasted);
    return () => {
      window.removeEventListener('dragover', drop);
      window.removeEventListener('drop', drop);
      window.removeEventListener('paste', pasted);
    };
  }, [take]);

  const dismiss = (): void => {
    setMessage(undefined);
    setTold(undefined);
  };
  return { take, message, told, busy, dismiss };
}
