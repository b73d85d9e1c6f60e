import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';

/** The name a picture is kept under: the SHA-256 of its bytes in hexadecimal. */
export const hashOf = (bytes: Uint8Array): string => bytesToHex(sha256(bytes));
