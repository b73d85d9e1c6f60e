import { proxy } from 'comlink';
import { useDeferredValue, useEffect, useMemo, useState } from 'react';
import type { Run } from '../../../core/job/by-row';
import { tableOfPiece } from '../../../core/job/edits/runs';
import type { Job, Piece } from '../../../core/job/schema';
import type { Table } from '../../../core/job/table';
import type { RunChecked } from '../../../core/run/check-run';
import { rowsPrinted } from '../../../core/run/order';
import { type RowPlan, rowPlan } from '../../../core/run/row-piece';
import type { Rows } from '../../../core/run/rows';
import { borrowPressRoom } from '../../../workers/press-room';
import { useBench } from '../../bench/bench';
import { useSession } from '../../store/session';
import { useRows } from '../../store/tables';

/** What the room of a run works on. */
export interface RunHere {
  job: Job;
  piece: Piece;
  table: Table | undefined;
  run: Run | undefined;
  rows: Rows | undefined;
  /** Whether the file of the table is not here. */
  missing: boolean;
  plan: RowPlan | undefined;
  /** The numbers of the rows that are printed, in order. */
  printed: readonly number[];
}

export function useRun(): RunHere {
  const { job, sheet: piece, sources } = useBench();
  const table = tableOfPiece(job, piece);
  const { rows, missing } = useRows(job, table);
  const { run } = piece;
  const plan = useMemo(() => (rows ? rowPlan(job, piece, rows, sources) : undefined), [job, piece, rows, sources]);
  const printed = useMemo(() => (run && rows ? rowsPrinted(run, rows) : []), [run, rows]);
  return { job, piece, table, run, rows, missing, plan, printed };
}

export interface Checked {
  result: RunChecked | undefined;
  /** How far it is, 0 to 1, while it goes on. */
  done: number | undefined;
  problem: string | undefined;
}

/** How long nothing may change before the rows are checked again, in milliseconds. */
const PAUSE = 700;

/** The rows checked in a worker of their own, again after each change; what was found before stands until then. */
export function useChecked(pieceId: string, isReady: boolean): Checked {
  const job = useSession(({ history }) => history?.job);
  const settled = useDeferredValue(job);
  const [checked, setChecked] = useState<Checked>({ result: undefined, done: undefined, problem: undefined });
  useEffect(() => {
    if (!settled || !isReady) return;
    let live = true;
    const room = borrowPressRoom();
    let isOver = false;
    const wait = setTimeout(() => {
      setChecked(({ result }) => ({ result, done: 0, problem: undefined }));
      const hear = proxy(({ done }: { done: number }) => {
        if (live) setChecked((now) => ({ ...now, done }));
      });
      room.room.checkTheRun(settled, pieceId, hear).then(
        (result) => {
          isOver = true;
          room.giveBack();
          if (live) setChecked({ result, done: undefined, problem: undefined });
        },
        (error: Error) => {
          isOver = true;
          if (live) setChecked({ result: undefined, done: undefined, problem: error.message });
        },
      );
    }, PAUSE);
    return () => {
      live = false;
      clearTimeout(wait);
      // Work that nobody waits for is stopped; a worker that has not begun is ready for the next.
      if (!isOver) room.dismiss();
    };
  }, [settled, pieceId, isReady]);
  return checked;
}
