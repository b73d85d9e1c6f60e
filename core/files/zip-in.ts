import { TooMuchPacked, unpackWithin } from '../packed/inflate';

/** A zip that is damaged, or made to look like one that it is not. */
export class ZipDamaged extends Error {}
/** A zip that unpacks to more than it may. */
export class ZipTooLarge extends Error {}

export interface ZipLimits {
  entries: number;
  /** All entries together, in bytes. */
  total: number;
  /** One entry by its name, in bytes. */
  most(name: string): number;
}

/** Signatures and sizes of the records of a zip (APPNOTE 6.3, 4.3). */
const END = { signature: 0x06054b50, size: 22 };
const DIRECTORY = { signature: 0x02014b50, size: 46 };
const LOCAL = { signature: 0x04034b50, size: 30 };
/** A comment at the end is at most so long. */
const MOST_COMMENT = 0xffff;
const [STORED, DEFLATED] = [0, 8];
const ENCRYPTED = 1;

interface Entry {
  name: string;
  method: number;
  packed: number;
  size: number;
  /** Where its local record begins. */
  at: number;
}

const viewOf = (bytes: Uint8Array): DataView => new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);

function endOf(view: DataView): number {
  const last = view.byteLength - END.size;
  for (let at = last; at >= Math.max(0, last - MOST_COMMENT); at--)
    if (view.getUint32(at, true) === END.signature) return at;
  throw new ZipDamaged();
}

function directoryOf(bytes: Uint8Array, { entries: most }: ZipLimits): Entry[] {
  const view = viewOf(bytes);
  const end = endOf(view);
  const count = view.getUint16(end + 10, true);
  if (count > most) throw new ZipTooLarge();
  let at = view.getUint32(end + 16, true);
  return Array.from({ length: count }, () => {
    if (at + DIRECTORY.size > end || view.getUint32(at, true) !== DIRECTORY.signature) throw new ZipDamaged();
    const [nameSize, extra, comment] = [28, 30, 32].map((from) => view.getUint16(at + from, true)) as [
      number,
      number,
      number,
    ];
    if (view.getUint16(at + 8, true) & ENCRYPTED) throw new ZipDamaged();
    const entry = {
      name: new TextDecoder().decode(bytes.subarray(at + DIRECTORY.size, at + DIRECTORY.size + nameSize)),
      method: view.getUint16(at + 10, true),
      packed: view.getUint32(at + 20, true),
      size: view.getUint32(at + 24, true),
      at: view.getUint32(at + 42, true),
    };
    at += DIRECTORY.size + nameSize + extra + comment;
    return entry;
  });
}

/** Where an entry's own bytes begin. */
function dataOf(view: DataView, { at }: Entry): number {
  if (at + LOCAL.size > view.byteLength || view.getUint32(at, true) !== LOCAL.signature) throw new ZipDamaged();
  return at + LOCAL.size + view.getUint16(at + 26, true) + view.getUint16(at + 28, true);
}

/** One stretch of bytes that stands for many files is how a small zip becomes a huge one. */
function refuseOverlaps(entries: readonly Entry[], view: DataView): void {
  let end = 0;
  for (const entry of [...entries].sort((a, b) => a.at - b.at)) {
    if (entry.at < end) throw new ZipDamaged();
    end = dataOf(view, entry) + entry.packed;
    if (end > view.byteLength) throw new ZipDamaged();
  }
}

/**
 * The wanted entries of a zip by name. No more is unpacked than the directory says, and no more than the limits allow.
 * Throws ZipDamaged or ZipTooLarge.
 */
export function readZip(
  bytes: Uint8Array,
  wanted: (name: string) => boolean,
  limits: ZipLimits,
): Record<string, Uint8Array> {
  if (bytes.length < END.size) throw new ZipDamaged();
  const entries = directoryOf(bytes, limits);
  const total = entries.reduce((sum, { size }) => sum + size, 0);
  if (total > limits.total || entries.some(({ name, size }) => size > limits.most(name))) throw new ZipTooLarge();
  const view = viewOf(bytes);
  refuseOverlaps(entries, view);
  return Object.fromEntries(
    entries
      .filter(({ name }) => wanted(name))
      .map((entry) => {
        const from = dataOf(view, entry);
        return [entry.name, contentOf(bytes.subarray(from, from + entry.packed), entry)];
      }),
  );
}

function contentOf(packed: Uint8Array, { method, size }: Entry): Uint8Array {
  if (method === STORED && packed.length === size) return packed.slice();
  if (method !== DEFLATED) throw new ZipDamaged();
  try {
    const out = unpackWithin(packed, 'deflate', size);
    if (out.length === size) return out;
  } catch (error) {
    if (error instanceof TooMuchPacked) throw new ZipTooLarge();
  }
  throw new ZipDamaged();
}
