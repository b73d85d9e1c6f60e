import type { APIRoute } from 'astro';
import { runFile } from '../../../../server/runs';

export const prerender = false;

/** The file of a run that is ready. */
export const GET: APIRoute = ({ params }) => {
  const file = runFile(params['id'] ?? '');
  if (!file) return Response.json({ problem: 'The run is not there any more.' }, { status: 404 });
  return new Response(file.body, {
    headers: {
      'Content-Type': 'application/pdf',
      'Content-Length': `${file.size}`,
      'Content-Disposition': 'attachment',
    },
  });
};
