import * as z from 'zod';
import { type Answer, type OrderAsked, type OrderSeen, orderSeenSchema } from '../../../core/files/counter/order';
import { answerOf } from '../../parts/answer-of';

/** Talking with the counter of a shop. */

const GONE = 'The shop does not answer. Start the server again, then go on: what has come stays there.';

/** How large the parts are that a file is sent in, in bytes: small enough that a break costs little. */
const PART = 1_000_000;
/** How often a part is sent again, and how long is waited before, in milliseconds. */
const TRIES = 6;
const PAUSE = 800;

const said = async <T>(response: Promise<Response>, schema: z.ZodType<T>): Promise<T> =>
  schema.parse(await answerOf(response, GONE));

const at = (id: string, more = ''): string => `/api/counter/orders/${id}${more}`;
const sent = (body: unknown): RequestInit => ({
  method: 'POST',
  headers: { 'Content-Type': 'application/json' },
  body: JSON.stringify(body),
});

export const seeOrder = (id: string): Promise<OrderSeen> => said(fetch(at(id)), orderSeenSchema);
export const seeOrders = async (): Promise<OrderSeen[]> =>
  (await said(fetch('/api/counter/orders'), z.object({ orders: z.array(orderSeenSchema) }))).orders;
export const giveAnswer = (id: string, answer: Answer): Promise<OrderSeen> =>
  said(fetch(at(id, '/answer'), sent(answer)), orderSeenSchema);
/** The file that the shop had. */
export async function fileAtShop(id: string): Promise<Blob> {
  const response = await fetch(at(id, '/file'));
  if (!response.ok) throw new Error('The shop has not kept the file of this order.');
  return response.blob();
}

/**
 * Orders, and sends the file part by part; where the line breaks it goes on from what has arrived. `tell` hears what share has.
 * Throws with words for the user.
 */
export async function order(asked: OrderAsked, bytes: Uint8Array, tell: (share: number) => void): Promise<OrderSeen> {
  let now = await said(fetch('/api/counter/orders', sent(asked)), orderSeenSchema);
  for (let tries = 0; now.stage === 'arriving'; ) {
    tell(now.received / bytes.length);
    const part = bytes.subarray(now.received, now.received + PART);
    try {
      now = await said(
        fetch(at(now.id, `/file?at=${now.received}`), {
          method: 'PUT',
          headers: { 'Content-Type': 'application/pdf' },
          body: part as BufferSource,
        }),
        orderSeenSchema,
      );
      tries = 0;
    } catch (error) {
      if (++tries > TRIES) throw error;
      await new Promise((go) => setTimeout(go, PAUSE * tries));
      // How much has come is asked for again: a part may have arrived whose answer did not.
      now = await seeOrder(now.id).catch(() => now);
    }
  }
  tell(1);
  return now;
}
