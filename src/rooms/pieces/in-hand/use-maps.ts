import { useEffect, useRef, useState } from 'react';
import type { Job, Piece } from '../../../../core/job/schema';
import { plateRoom } from '../../../bench/kit';
import { freeMaps, type Maps, mapsOf } from './maps';

/** Cells along the longer side of a piece: few at first, to see something, then as many as a picture of a set shows. */
const CELLS = [360, 1400];
const MOST_PPI = 300;

const keyOf = (piece: string, face: string): string => `${piece} ${face}`;

/** The faces of pieces as a renderer takes them, laid from their plates one piece after another. */
export function useMaps(job: Job, pieces: readonly Piece[], sharp: number | undefined) {
  const kept = useRef(new Map<string, Maps>());
  /** How often each piece has been laid. */
  const [laid, setLaid] = useState<ReadonlyMap<string, number>>(new Map());
  const [problem, setProblem] = useState<string>();
  const timesOf = ({ id }: Piece): number => laid.get(id) ?? 0;
  const step = Math.min(...pieces.map(timesOf));
  const next = step < CELLS.length ? pieces.find((piece) => timesOf(piece) === step) : undefined;
  useEffect(() => {
    if (!next || sharp === undefined) return;
    let current = true;
    const ppi = Math.min(MOST_PPI, (72 * CELLS[step]!) / Math.max(next.width, next.height));
    plateRoom()
      .readSurfaces({ job, pieceId: next.id, ppi })
      .then(
        (sides) => {
          if (!current) return;
          for (const { face, surface } of sides) {
            const key = keyOf(next.id, face);
            const before = kept.current.get(key);
            kept.current.set(key, mapsOf(surface, sharp));
            if (before) freeMaps(before);
          }
          setLaid((was) => new Map(was).set(next.id, step + 1));
        },
        (error: Error) => current && setProblem(`${next.name} could not be drawn: ${error.message}`),
      );
    return () => {
      current = false;
    };
  }, [job, next, step, sharp]);
  useEffect(() => {
    const maps = kept.current;
    return () => {
      for (const each of maps.values()) freeMaps(each);
      maps.clear();
    };
  }, []);
  return {
    laid,
    waiting: next,
    problem,
    mapsFor: (piece: string) => (face: string) => kept.current.get(keyOf(piece, face)),
  };
}
