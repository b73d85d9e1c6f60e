import { CounterError } from './orders';

/** Only the app itself may send this: a form of another site cannot. */
export const ORDER_TYPE = 'application/json';

export const says = (status: number, problem: string, more: object = {}): Response =>
  Response.json({ problem, ...more }, { status });

/** An answer, or why there is none. */
export async function answered(work: () => unknown): Promise<Response> {
  try {
    return Response.json(await work());
  } catch (error) {
    if (!(error instanceof CounterError)) throw error;
    return says(error.status, error.message, error.received === undefined ? {} : { received: error.received });
  }
}
