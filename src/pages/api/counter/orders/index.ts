import type { APIRoute } from 'astro';
import { orderAskedSchema } from '../../../../../core/files/counter/order';
import { answered, ORDER_TYPE, says } from '../../../../server/counter/answers';
import { checkNext, listOrders, placeOrder } from '../../../../server/counter/orders';

export const prerender = false;

/** An order is a page of text. */
const MOST = 20_000;

/** The orders at the counter, the newest first. */
export const GET: APIRoute = () => {
  // Files that had come when the server ended are looked at now.
  void checkNext();
  return answered(() => ({ orders: listOrders() }));
};

/** Takes an order; its file comes next. */
export const POST: APIRoute = async ({ request }) => {
  if (request.headers.get('Content-Type') !== ORDER_TYPE) return says(415, 'Send an order.');
  const text = await request.text();
  if (text.length > MOST) return says(413, 'The order is too long.');
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return says(400, 'The order is not written as it should be.');
  }
  const asked = orderAskedSchema.safeParse(json);
  if (!asked.success)
    return says(400, `The order is not written as it should be: ${asked.error.issues[0]?.path.join(' ')}.`);
  return answered(() => placeOrder(asked.data));
};
