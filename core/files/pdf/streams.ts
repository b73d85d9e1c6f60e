import { type PDFContext, PDFRawStream } from '@cantoo/pdf-lib';
import { zlibSync } from 'fflate';

type Entries = NonNullable<Parameters<PDFContext['obj']>[0]>;

/** One step further takes twice the time for a fiftieth less. */
const LEVEL = 5;

/** A Flate stream. The same bytes in come out the same everywhere: the deflate is our own package's, not the platform's. */
export function flate(context: PDFContext, bytes: Uint8Array, entries: Record<string, unknown> = {}): PDFRawStream {
  const packed = zlibSync(bytes, { level: LEVEL });
  const dict = context.obj({ ...entries, Filter: 'FlateDecode', Length: packed.length } as Entries & {});
  return PDFRawStream.of(dict as never, packed);
}

/** A stream kept as it is, for what readers must find unpacked. */
export function plain(context: PDFContext, bytes: Uint8Array, entries: Record<string, unknown> = {}): PDFRawStream {
  return PDFRawStream.of(context.obj({ ...entries, Length: bytes.length } as Entries & {}) as never, bytes);
}
