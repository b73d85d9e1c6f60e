import type { APIRoute } from 'astro';
import { faultsSchema } from '../../../../../../core/files/counter/came-back';
import { answered, ORDER_TYPE, says } from '../../../../../server/counter/answers';
import { setFaults } from '../../../../../server/counter/orders';

export const prerender = false;

/** What is to go wrong with an order, switched on and off. */
export const POST: APIRoute = async ({ params, request }) => {
  if (request.headers.get('Content-Type') !== ORDER_TYPE) return says(415, 'Send a list of faults.');
  const faults = faultsSchema.safeParse(await request.json().catch(() => undefined));
  return faults.success
    ? answered(() => setFaults(params['id'] ?? '', faults.data))
    : says(400, 'These faults are not known here.');
};
