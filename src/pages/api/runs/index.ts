import type { APIRoute } from 'astro';
import { askedSchema, BOUNDS, Refused, takeRun } from '../../../server/runs';

export const prerender = false;

/** Only the app itself may send this: a form of another site cannot. */
const TYPE = 'application/x-tidyedge';
const says = (status: number, problem: string): Response => Response.json({ problem }, { status });

/** Takes a job in and puts its run in the queue: `?piece=ID&as=pdfx4&rows=0..99`, the job file as the body. */
export const POST: APIRoute = async ({ request, url }) => {
  if (request.headers.get('Content-Type') !== TYPE) return says(415, 'Send a job file.');
  const asked = askedSchema.safeParse(Object.fromEntries(url.searchParams));
  if (!asked.success) return says(400, 'The run is not asked for as it should be.');
  if (Number(request.headers.get('Content-Length') ?? 0) > BOUNDS.upload)
    return says(413, 'The job is too large for the server. Use the command line.');
  if (!request.body) return says(400, 'Send a job file.');
  try {
    return Response.json({ id: await takeRun(asked.data, request.body) }, { status: 202 });
  } catch (error) {
    if (error instanceof Refused) return says(error.status, error.message);
    throw error;
  }
};
