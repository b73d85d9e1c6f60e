import type { APIRoute } from 'astro';
import { MOST_BYTES } from '../../../../../../core/files/counter/order';
import { answered, says } from '../../../../../server/counter/answers';
import { addToFile, CounterError, orderFile } from '../../../../../server/counter/orders';

export const prerender = false;

/** Takes the file of an order, or the rest of it from byte `?at=N` on. */
export const PUT: APIRoute = ({ params, request, url }) => {
  if (request.headers.get('Content-Type') !== 'application/pdf') return says(415, 'Send a PDF.');
  if (Number(request.headers.get('Content-Length') ?? 0) > MOST_BYTES)
    return says(413, 'The file is too large for this counter.');
  const at = Number(url.searchParams.get('at') ?? 0);
  if (!Number.isSafeInteger(at) || at < 0) return says(400, 'Say from where the file goes on.');
  const { body } = request;
  if (!body) return says(400, 'Send a PDF.');
  return answered(() => addToFile(params['id'] ?? '', at, body));
};

/** The file as the shop has it. */
export const GET: APIRoute = ({ params }) => {
  try {
    return new Response(orderFile(params['id'] ?? ''), { headers: { 'Content-Type': 'application/pdf' } });
  } catch (error) {
    if (!(error instanceof CounterError)) throw error;
    return says(error.status, error.message);
  }
};
