import * as z from 'zod';

/** An ink of the job, by id, at a tint from 0 to 1. */
export const paintSchema = z.strictObject({ ink: z.string().regex(/^[\w-]{1,64}$/), tint: z.number().min(0).max(1) });
export type Paint = z.infer<typeof paintSchema>;
