import type { APIRoute } from 'astro';
import { dropRun, seenRun } from '../../../../server/runs';

export const prerender = false;

/** How far a run is. */
export const GET: APIRoute = ({ params }) => {
  const seen = seenRun(params['id'] ?? '');
  return seen ? Response.json(seen) : Response.json({ problem: 'The run is not there any more.' }, { status: 404 });
};

/** Stops a run, and deletes it. */
export const DELETE: APIRoute = ({ params }) =>
  new Response(undefined, { status: dropRun(params['id'] ?? '') ? 204 : 404 });
