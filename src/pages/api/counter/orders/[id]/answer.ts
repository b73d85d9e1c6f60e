import type { APIRoute } from 'astro';
import { answerSchema } from '../../../../../../core/files/counter/order';
import { answered, ORDER_TYPE, says } from '../../../../../server/counter/answers';
import { answerOrder } from '../../../../../server/counter/orders';

export const prerender = false;

/** A yes or a no to what the counter said. */
export const POST: APIRoute = async ({ params, request }) => {
  if (request.headers.get('Content-Type') !== ORDER_TYPE) return says(415, 'Send an answer.');
  const answer = answerSchema.safeParse(await request.json().catch(() => undefined));
  return answer.success
    ? answered(() => answerOrder(params['id'] ?? '', answer.data))
    : says(400, 'The answer is not written as it should be: a name is needed.');
};
