import * as z from 'zod';
import { JOB_LIMITS } from '../trade/job-limits';
import { elementSchema, id, name } from './element';

/** What a house looks like, beside its inks and named styles. */

/** What typefaces do in a house. */
export const ROLES = { heading: 'Headings and names', text: 'Body text', accent: 'Accent' } as const;
export type Role = keyof typeof ROLES;
export const rolesSchema = z.partialRecord(z.enum(Object.keys(ROLES) as Role[]), z.string().min(1).max(120));

export const LOGO_USES = ['full colour', 'one ink', 'reversed'] as const;

/** A logo of the house. Lengths in points, at the size it was drawn. */
export const logoSchema = z.strictObject({
  id,
  name,
  use: z.enum(LOGO_USES),
  width: z.number().min(0.1).max(20_000),
  height: z.number().min(0.1).max(20_000),
  /** From its own top left corner, bottom of the stack first. */
  elements: z.array(elementSchema).min(1).max(JOB_LIMITS.logoParts),
  /** What stays free around it, as a share of its height. */
  clear: z.number().min(0).max(2),
  /** Narrower than this it cannot be read, points. */
  least: z.number().min(0).max(2000),
});
export type Logo = z.infer<typeof logoSchema>;
