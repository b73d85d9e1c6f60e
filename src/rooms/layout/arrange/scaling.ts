import { create } from 'zustand';

/** Whether type, weights of lines, dashes and shadows grow with several things that are scaled as one. */
export const useScaling = create<{ type: boolean }>(() => ({ type: false }));
