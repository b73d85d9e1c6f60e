import { Stream, type Value } from '../parsed/syntax';
import { dictOf, numbersOf, type PdfView } from '../parsed/view';
import { NotCalculable } from './calculator';
import { calculatorOf, samplesOf, within } from './functions';

/** Functions of two values (ISO 32000-1, 7.10): sampled and calculated; several of one result side by side. */

export type PlaneFunction = (x: number, y: number) => number[];

/** Samples on a lattice, the first value running fastest; between them what is nearest has its share. */
function sampled(view: PdfView, stream: Stream): PlaneFunction | undefined {
  const [wide = 0, high = 0] = numbersOf(view, stream.dict.get('Size'));
  const samples = samplesOf(view, stream);
  if (!samples || wide < 2 || high < 2) return undefined;
  const { outputs } = samples;
  const [x0 = 0, x1 = 1, y0 = 0, y1 = 1] = numbersOf(view, stream.dict.get('Domain'));
  const encode = stream.dict.has('Encode') ? numbersOf(view, stream.dict.get('Encode')) : [0, wide - 1, 0, high - 1];
  const at = (i: number, j: number, k: number): number => samples.at(j * wide + i, k);
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
  const [x0 = 0, x1 = 1, y0 = 0, y1 = 1] = numbersOf(view, stream.dict.get('Domain'));
  try {
    const calculator = calculatorOf(view, stream);
    return (x, y) => calculator([within(x, x0, x1), within(y, y0, y1)]);
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
