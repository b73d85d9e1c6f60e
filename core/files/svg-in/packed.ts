import { unpackWithin } from '../../packed/inflate';

/** Larger than this is no logo. */
export const MOST_BYTES = 5_000_000;

/** Whether a drawing is packed, as many programs save it to mail (SVG 1.1, appendix C: gzip, RFC 1952). */
export const isPacked = ([first, second]: Uint8Array): boolean => first === 0x1f && second === 0x8b;

/** The bytes of a drawing, unpacked where it is packed. Throws TooMuchPacked beyond MOST_BYTES, and Error where it is damaged. */
export const plainBytes = (bytes: Uint8Array): Uint8Array =>
  isPacked(bytes) ? unpackWithin(bytes, 'gzip', MOST_BYTES) : bytes;
