/** What the server answers, as JSON. Throws with its own words where it says no, and with `gone` where it does not answer. */
export async function answerOf(response: Promise<Response>, gone: string): Promise<unknown> {
  const got = await response.catch(() => {
    throw new Error(gone);
  });
  const said: unknown = await got.json().catch(() => undefined);
  if (got.ok) return said;
  const { problem } = (said ?? {}) as { problem?: string };
  throw new Error(problem ?? gone);
}
