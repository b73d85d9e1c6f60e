// Tells a version of the app's sources from every other one.
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';

/** A file, or all that are in a folder. */
export const filesIn = (path) =>
  statSync(path).isFile() ? [path] : readdirSync(path).flatMap((name) => filesIn(join(path, name)));

/** The SHA-256 of files and all that is in folders, in hexadecimal. */
export function sourcesHash(root, paths) {
  const hash = createHash('sha256');
  for (const file of paths.flatMap((path) => filesIn(join(root, path))).sort())
    hash.update(file.slice(root.length)).update(readFileSync(file));
  return hash.digest('hex');
}
