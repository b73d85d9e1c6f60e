import { createContext, useContext } from 'react';
import type { Finding } from '../../core/checks/check';
import type { Standing } from '../../core/checks/let-stand';
import type { Seen } from '../../core/checks/review';
import type { Unread } from '../../core/checks/unread';
import type { Press } from '../../core/colour/engine';
import type { Element, Face, Job, Piece } from '../../core/job/schema';
import type { SceneSources } from '../../core/scene/sources';
import type { ShopSpec } from '../../core/trade/schema';
import type { PieceUnit } from '../../core/units/length';
import type { InkReading } from '../../workers/ink-work';
import type { Mixtures } from './use-mixtures';
import type { Previews } from './use-previews';

/** What everything in the rooms of a piece works on; all of it derived from the job and the address. */
export interface Bench {
  job: Job;
  /** The piece in the sides of that face; `sheet` is the piece as it is, whatever face is shown. */
  piece: Piece;
  sheet: Piece;
  /** The face that new elements land on. Words that follow an element carry its line here and in `shown` and `selected`. */
  face: Face;
  /** The faces on the table. */
  shown: readonly Face[];
  /** The selected elements of this piece, in the order they were selected. */
  selection: readonly Element[];
  /** The selected element, where just one is. */
  selected: Element | undefined;
  shop: ShopSpec;
  press: Press;
  sources: SceneSources;
  unit: PieceUnit;
  echo: PieceUnit;
  setFace(id: string): void;
}

/** How things look in print, as far as that is known yet. */
export interface Printed {
  previews: Previews;
  /** Overprinting elements on several things, in the colours of the plates. */
  mixtures: Mixtures;
}

/** What has been found in the piece. It comes after what is shown. */
export interface Found {
  /** What is open; and what was let stand. */
  findings: readonly Finding[];
  standing: readonly Standing[];
  /** What could not be looked at, or has not been yet. */
  unread: readonly Unread[];
  /** What was read elsewhere for it. */
  seen: Omit<Seen, 'fonts' | 'press'>;
  /** What the plates say, once they have been laid. */
  onPress: InkReading | undefined;
}

// A context for each rate of change: a finding that comes draws no stage again, a picture that comes no list.
export const BenchContext = createContext<Bench | undefined>(undefined);
export const PrintedContext = createContext<Printed>({ previews: new Map(), mixtures: new Map() });
export const NOTHING_FOUND: Found = {
  findings: [],
  standing: [],
  unread: [{ what: 'plates', says: 'The piece has not been checked yet. Wait a moment.' }],
  seen: { plates: [], misspelt: new Map() },
  onPress: undefined,
};
export const FoundContext = createContext<Found>(NOTHING_FOUND);
/** What is in the way of the piece, in words for the user. */
export const TroubleContext = createContext<string | undefined>(undefined);

export function useBench(): Bench {
  const bench = useContext(BenchContext);
  if (!bench) throw new Error('This part belongs in a room of a piece.');
  return bench;
}
/** The bench, once it is there. */
export const useBenchHere = (): Bench | undefined => useContext(BenchContext);
export const usePrinted = (): Printed => useContext(PrintedContext);
export const useFound = (): Found => useContext(FoundContext);
export const useTrouble = (): string | undefined => useContext(TroubleContext);
