import { useEffect, useRef, useState } from 'react';
import type { Job, Piece } from '../../../core/job/schema';
import type { SheetMade } from '../../../core/job/sheet';
import type { SheetItem } from '../../../core/sheet/form';
import { itemsOf, type SheetPlan } from '../../../core/sheet/plan';
import { hireSheetRoom } from '../../../workers/sheet-room';

export interface Plans {
  plans: readonly SheetPlan[];
  /** What they were found for: the sheet and what lies on it may have changed since. */
  found: { made: SheetMade; items: readonly SheetItem[] };
  problem: string | undefined;
  searching: boolean;
  stop(): void;
}

/** The layouts of a piece's sheets, looked for anew whenever something about them changes. */
export function usePlans(job: Job, piece: Piece, made: SheetMade): Plans {
  const pieceId = piece.id;
  const [found, setFound] = useState<Pick<Plans, 'plans' | 'found'> & { problem?: string }>({
    plans: [],
    found: { made, items: [] },
  });
  const [searching, setSearching] = useState(false);
  const stopped = useRef<() => void>(undefined);
  // The layout that is taken, and moving it by hand, change nothing of what is found.
  const { taken: _taken, ...rest } = made;
  const key = JSON.stringify([
    rest,
    job.pieces.map(({ id, width, height, order, shop }) => [id, width, height, order, shop]),
  ]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key is all of the job that matters here
  useEffect(() => {
    const { room, dismiss } = hireSheetRoom();
    let live = true;
    const end = (): void => {
      live = false;
      dismiss();
    };
    stopped.current = () => {
      if (!live) return;
      end();
      setSearching(false);
    };
    setSearching(true);
    const asked = { made, items: itemsOf(job, piece, made) };
    room
      .plans(job, pieceId, made)
      .then((plans) => live && setFound({ plans, found: asked }))
      .catch((error: Error) => live && setFound({ plans: [], found: asked, problem: error.message }))
      .finally(() => {
        if (!live) return;
        end();
        setSearching(false);
      });
    return end;
  }, [key, pieceId]);
  return { plans: found.plans, found: found.found, problem: found.problem, searching, stop: () => stopped.current?.() };
}
