/** A file that ships with the app. */
export async function bytesAt(url: string | undefined): Promise<Uint8Array> {
  if (!url) throw new Error('A part of the app is missing. Run npm start again.');
  const answer = await fetch(url);
  if (!answer.ok) throw new Error(`${url} did not load (${answer.status}). Reload the page.`);
  return new Uint8Array(await answer.arrayBuffer());
}
