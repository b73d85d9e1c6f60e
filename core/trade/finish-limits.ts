import { lengthOf as pt } from '../units/length';
import type { FinishKind } from './finishes';

/** What the tools of a finish can hold, in points: common practice, as finishers' guides have it; a shop's spec may say otherwise. */
export interface FinishLimits {
  /** The thinnest line or letter stroke. */
  line?: number | undefined;
  /** The narrowest gap that does not fill. */
  gap?: number | undefined;
  /** The nearest to the edge of the finished piece. */
  edge?: number | undefined;
}

export const FINISH_LIMITS: Readonly<Partial<Record<FinishKind, FinishLimits>>> = {
  foil: { line: pt('0.25 mm'), gap: pt('0.5 mm'), edge: pt('1.5 mm') },
  varnish: { line: pt('0.35 mm'), gap: pt('0.5 mm') },
  white: { line: pt('0.25 mm'), gap: pt('0.3 mm') },
  embossing: { line: pt('0.5 mm'), gap: pt('0.8 mm'), edge: pt('3 mm') },
  debossing: { line: pt('0.35 mm'), gap: pt('0.6 mm'), edge: pt('3 mm') },
  holes: { edge: pt('3 mm') },
};

/** How far a finish may lie from the print that it is to meet, points: common practice. */
export const FINISH_REGISTER = pt('0.5 mm');
/** Smaller letters than this cannot be met by a coat over them, points: common practice. */
export const VARNISHED_TYPE = 8;
