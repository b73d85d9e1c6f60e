import * as z from 'zod';
import { id } from './element';

/** Characters of what a finding is about that are kept. */
export const MOST_OF = 400;

/** A finding that stands with a reason. It is known by its check, its element and what was measured; a worse one is new. */
export const acceptedSchema = z.strictObject({
  piece: id,
  check: z.string().min(1).max(60),
  element: z.string().min(1).max(64),
  /** What of the element it is about, where its check can find several things in one. */
  of: z.string().max(MOST_OF).optional(),
  /** What was measured when it was accepted, in the check's own unit. */
  measured: z.number(),
  reason: z.string().trim().min(1).max(400),
  /** When, ISO 8601 in UTC. */
  at: z.iso.datetime(),
});
export type Accepted = z.infer<typeof acceptedSchema>;
