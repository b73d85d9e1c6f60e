import type { Look } from '../starter';
import { axis } from './axis';
import { display } from './display';
import { frame } from './frame';
import { horizon } from './horizon';
import { margin } from './margin';
import { panel } from './panel';
import { rounds } from './rounds';
import { stripes } from './stripes';

/** Every look, quiet to loud. */
export const LOOKS: readonly Look[] = [margin, axis, frame, panel, horizon, stripes, rounds, display];
export const lookCalled = (id: string): Look | undefined => LOOKS.find((look) => look.id === id);
