import type { APIRoute } from 'astro';
import { answered } from '../../../../../server/counter/answers';
import { seenOrder } from '../../../../../server/counter/orders';

export const prerender = false;

/** Where an order is, and what is said of it. */
export const GET: APIRoute = ({ params }) => answered(() => seenOrder(params['id'] ?? ''));
