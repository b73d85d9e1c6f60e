import { contentsOf, unpacked } from '../parsed/filters';
import { Stream, type Value } from '../parsed/syntax';
import { dictOf, numbersOf, type PdfView } from '../parsed/view';
import { calculated, NotCalculable, programOf } from './calculator';

/** Functions of two values (ISO 32000-1, 7.10): sampled and calculated; several of one result side by side. */

export type PlaneFunction = (x: number, y: number) => number[];

const within = (n: number, low: number, high: number): number => Math.max(low, Math.min(high, n));

/** Samples on a lattice, the first value running fastest; between them what is nearest has its share. */
function sampled(view: PdfView, stream: Stream): PlaneFunction | undefined {
  const { bytes } = unpacked(stream, view.file);
  const [wide = 0, high = 0] = numbersOf(view, stream.dict.get('Size'));
  const range = numbersOf(view, stream.dict.get('Range'));
  const outputs = range.length / 2;
  const perSample = Number(view.file.get(stream.dict.get('BitsPerSample')) ?? 8);
  if (![8, 16].includes(perSample) || wide < 2 || high < 2 || outputs < 1) return undefined;
  const [x0 = 0, x1 = 1, y0 = 0, y1 = 1] = numbersOf(view, stream.dict.get('Domain'));
  const encode = stream.dict.has('Encode') ? numbersOf(view, stream.dict.get('Encode')) : [0, wide - 1, 0, high - 1];
  const decode = stream.dict.has('Decode') ? numbersOf(view, stream.dict.get('Decode')) : range;
  const length = perSample / 8;
  const at = (i: number, j: number, k: number): number => {
    const from = ((j * wide + i) * outputs + k) * length;
    const raw = length === 2 ? ((bytes[from] ?? 0) * 256 + (bytes[from + 1] ?? 0)) / 65_535 : (bytes[from] ?? 0) / 255;
    return decode[2 * k]! + raw * (decode[2 * k + 1]! - decode[2 * k]!);
  };
  const placeOf = (n: number, low: number, high: number, from: number, to: number, count: number): number =>
    within(from + ((within(n, low, high) - low) / (high - low)) * (to - from), 0, count - 1);
  return (x, y) => {
    const across = placeOf(x, x0, x1, encode[0]!, encode[1]!, wide);
    const down = placeOf(y, y0, y1, encode[2]!, encode[3]!, high);
    const [i, j] = [Math.min(wide - 2, Math.floor(across)), Math.min(high - 2, Math.floor(down))];
    const [u, v] = [across - i, down - j];
    return Array.from(
      { length: outputs },
      (_, k) =>
        (1 - v) * ((1 - u) * at(i, j, k) + u * at(i + 1, j, k)) +
        v * ((1 - u) * at(i, j + 1, k) + u * at(i + 1, j + 1, k)),
    );
  };
}

function calculating(view: PdfView, stream: Stream): PlaneFunction | undefined {
  const range = numbersOf(view, stream.dict.get('Range'));
  const count = range.length / 2;
  const [x0 = 0, x1 = 1, y0 = 0, y1 = 1] = numbersOf(view, stream.dict.get('Domain'));
  try {
    const program = programOf(new TextDecoder('latin1').decode(contentsOf(stream, view.file)));
    return (x, y) => {
      const values = calculated(program, [within(x, x0, x1), within(y, y0, y1)]);
      if (values.length < count) throw new NotCalculable('A function leaves too little.');
      return values
        .slice(values.length - count)
        .map((value, k) => within(Number.isNaN(value) ? 0 : value, range[2 * k]!, range[2 * k + 1]!));
    };
  } catch (error) {
    if (error instanceof NotCalculable) return undefined;
    throw error;
  }
}

/** A function of two values; undefined for a kind that is not read. What it gives may throw NotCalculable. */
export function planeFunctionOf(view: PdfView, value: Value | undefined): PlaneFunction | undefined {
  const found = view.file.get(value);
  if (Array.isArray(found)) {
    const parts = found.map((each) => (Array.isArray(view.file.get(each)) ? undefined : planeFunctionOf(view, each)));
    return parts.length === 0 || parts.some((part) => !part)
      ? undefined
      : (x, y) => parts.flatMap((part) => part!(x, y));
  }
  if (!(found instanceof Stream)) return undefined;
  const kind = view.file.get(dictOf(view.file, found)?.get('FunctionType'));
  return kind === 0 ? sampled(view, found) : kind === 4 ? calculating(view, found) : undefined;
}
