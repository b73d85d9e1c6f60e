import * as z from 'zod';
import { batchSchema, faultsSchema } from './came-back';

/** What is said between a designer and the counter of a print shop. Lengths in millimetres, money in the shop's currency. */

const id = z.string().regex(/^[\w-]{8,64}$/);
const line = z.string().trim().max(200);
const side = z.number().min(5).max(3000);

/** The largest file that the counter takes, in bytes. */
export const MOST_BYTES = 200_000_000;

/** What is ordered, and the file that will come for it. */
export const orderAskedSchema = z.strictObject({
  /** Made by whoever orders: the same order sent twice is one. */
  key: id,
  shop: z.string().min(1).max(64),
  client: line.min(1),
  piece: line.min(1),
  width: side,
  height: side,
  sides: z.int().min(1).max(100),
  quantity: z.int().min(1).max(10_000_000),
  stock: line,
  finishing: z.array(line).max(24),
  delivery: line,
  file: z.strictObject({
    name: line.min(1),
    size: z.int().min(1).max(MOST_BYTES),
    sha256: z.string().regex(/^[0-9a-f]{64}$/),
  }),
});
export type OrderAsked = z.infer<typeof orderAskedSchema>;

export const VERDICTS = {
  accepted: 'Accepted',
  changes: 'Accepted with changes',
  back: 'Sent back',
} as const;
export type Verdict = keyof typeof VERDICTS;

/** One thing that a clerk says of a file: what is wrong, what the shop would change, or what to know. */
export const clerkLineSchema = z.strictObject({
  kind: z.enum(['wrong', 'change', 'note']),
  page: z.int().min(0),
  check: z.string().max(60),
  says: z.string().max(1000),
  /** Where on the page, points from the corner of its trim, where it is at one place. */
  at: z.object({ x: z.number(), y: z.number() }).optional(),
});
export type ClerkLine = z.infer<typeof clerkLineSchema>;

/** Where an order is, in the order of its life. */
export const STAGES = [
  'arriving',
  'checking',
  'answered',
  'plates',
  'press',
  'cutting',
  'finishing',
  'sent',
  'refused',
] as const;
export type Stage = (typeof STAGES)[number];
export const STAGE_SAYS: Readonly<Record<Stage, string>> = {
  arriving: 'File arriving',
  checking: 'At the counter',
  answered: 'Answered',
  plates: 'Plates',
  press: 'On press',
  cutting: 'Cutting',
  finishing: 'Finishing',
  sent: 'Sent',
  refused: 'Cancelled',
};

export const orderSeenSchema = z.object({
  id,
  asked: orderAskedSchema,
  /** Bytes that have arrived. */
  received: z.int().min(0),
  stage: z.enum(STAGES),
  verdict: z.enum(Object.keys(VERDICTS) as [Verdict, ...Verdict[]]).optional(),
  lines: z.array(clerkLineSchema),
  answer: z.strictObject({ isYes: z.boolean(), from: line, note: z.string().max(2000) }).optional(),
  /** ISO 8601. */
  made: z.string(),
  /** What is switched on to go wrong in production. */
  faults: faultsSchema,
  /** What came back, once it was sent. */
  came: batchSchema.optional(),
});
export type OrderSeen = z.infer<typeof orderSeenSchema>;

export const answerSchema = z.strictObject({
  isYes: z.boolean(),
  from: line.min(1),
  note: z.string().max(2000),
});
export type Answer = z.infer<typeof answerSchema>;
