import { create } from 'zustand';
import type { ArtKind } from '../../../../core/files/art-in/kind';
import type { Point } from '../../../../core/geometry/box';

/** A drawing, or a PDF, that has been chosen, dropped or pasted, and waits for its inks. */
export interface Incoming {
  name: string;
  bytes: Uint8Array;
  kind: ArtKind;
  face: string;
  /** Where its middle goes; the middle of the face where it is left out. */
  at: Point | undefined;
}

/** What is placed of it is called by its file, or otherwise where that has no name. */
export const titleOf = ({ name }: Pick<Incoming, 'name'>, otherwise: string): string =>
  name.replace(/\.\w{2,4}$/, '').slice(0, 120) || otherwise;

/** The one that is asked about, and those that came with it and wait for their turn. */
export const useIncoming = create<{ drawing: Incoming | undefined; waiting: readonly Incoming[] }>(() => ({
  drawing: undefined,
  waiting: [],
}));

export const receive = (came: Incoming): void =>
  useIncoming.setState(({ drawing, waiting }) => (drawing ? { waiting: [...waiting, came] } : { drawing: came }));

/** The one that is asked about is done with; the next one's turn comes. */
export const nextDrawing = (): void =>
  useIncoming.setState(({ waiting: [next, ...rest] }) => ({ drawing: next, waiting: rest }));
