import { bytesToHex } from '@noble/hashes/utils.js';
import { hashOf } from '../core/files/hash';

/** The hash of a file, by the browser where it does that: not on pages that came over an open network. */
export async function quickHash(bytes: Uint8Array): Promise<string> {
  if (!crypto.subtle) return hashOf(bytes);
  return bytesToHex(new Uint8Array(await crypto.subtle.digest('SHA-256', bytes as BufferSource)));
}
