import * as z from 'zod';
import { id } from './element';

/** A finding that stands with a reason. It is known by its check, its element and what was said; a worse one is new. */
export const acceptedSchema = z.strictObject({
  piece: id,
  check: z.string().min(1).max(60),
  element: z.string().min(1).max(64),
  problem: z.string().min(1).max(400),
  /** What was measured when it was accepted, in the check's own unit. */
  measured: z.number(),
  reason: z.string().trim().min(1).max(400),
  /** When, ISO 8601 in UTC. */
  at: z.iso.datetime(),
});
export type Accepted = z.infer<typeof acceptedSchema>;
