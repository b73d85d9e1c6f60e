import { create } from 'zustand';
import type { Point } from '../../../../core/geometry/box';

/** A drawing that has been chosen, dropped or pasted, and waits for its inks. */
export interface Incoming {
  name: string;
  bytes: Uint8Array;
  face: string;
  /** Where its middle goes; the middle of the face where it is left out. */
  at: Point | undefined;
}

export const useIncoming = create<{ drawing: Incoming | undefined }>(() => ({ drawing: undefined }));

export const isDrawing = (file: File): boolean => file.type === 'image/svg+xml' || /\.svg$/i.test(file.name);
