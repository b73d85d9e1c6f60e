import { contentsOf, unpacked } from '../parsed/filters';
import { Stream, type Value } from '../parsed/syntax';
import { arrayOf, dictOf, numbersOf, type PdfView } from '../parsed/view';
import { calculated, NotCalculable, programOf } from './calculator';

/** Functions of a PDF (ISO 32000-1, 7.10): sampled, exponential, stitched, calculated; several of one value side by side. */

export interface PdfFunction {
  (t: number): number[];
  /** Where it bends or jumps, between the ends of its domain. */
  knots: readonly number[];
  domain: readonly [number, number];
}

export const within = (n: number, low: number, high: number): number => Math.max(low, Math.min(high, n));

const MOST_DEEP = 8;
/** A sampled function is read at so many places. */
const SAMPLES = 33;

function make(domain: readonly [number, number], knots: readonly number[], of: (t: number) => number[]): PdfFunction {
  return Object.assign((t: number) => of(within(t, domain[0], domain[1])), { domain, knots });
}

/** A function of one value; undefined for a kind that is not read. */
export function functionOf(view: PdfView, value: Value | undefined, deep = 0): PdfFunction | undefined {
  const { file } = view;
  const found = file.get(value);
  if (deep > MOST_DEEP) return undefined;
  if (Array.isArray(found)) {
    const parts = found.map((each) => functionOf(view, each, deep + 1));
    const [first] = parts;
    if (!first || parts.some((part) => part === undefined)) return undefined;
    const knots = [...new Set(parts.flatMap((part) => [...part!.knots]))].sort((a, b) => a - b);
    return make(first.domain, knots, (t) => parts.flatMap((part) => part!(t)));
  }
  const dict = dictOf(file, value);
  if (!dict) return undefined;
  const given = numbersOf(view, dict.get('Domain'));
  const domain = [given[0] ?? 0, given[1] ?? 1] as const;
  const kind = file.get(dict.get('FunctionType'));
  if (kind === 2) {
    const from = dict.has('C0') ? numbersOf(view, dict.get('C0')) : [0];
    const to = dict.has('C1') ? numbersOf(view, dict.get('C1')) : [1];
    const power = Number(file.get(dict.get('N')) ?? 1);
    const bent =
      power === 1
        ? []
        : Array.from(
            { length: SAMPLES - 2 },
            (_, i) => domain[0] + ((i + 1) / (SAMPLES - 1)) * (domain[1] - domain[0]),
          );
    return make(domain, bent, (t) => from.map((a, i) => a + t ** power * ((to[i] ?? a) - a)));
  }
  if (kind === 3) {
    const parts = arrayOf(file, dict.get('Functions')).map((each) => functionOf(view, each, deep + 1));
    if (parts.length === 0 || parts.some((part) => part === undefined)) return undefined;
    const bounds = numbersOf(view, dict.get('Bounds'));
    const encode = numbersOf(view, dict.get('Encode'));
    const edges = [domain[0], ...bounds, domain[1]];
    const bent = parts.flatMap((part, k) => {
      const [a, b] = [encode[2 * k] ?? 0, encode[2 * k + 1] ?? 1];
      return part!.knots.flatMap((knot) =>
        a === b ? [] : [edges[k]! + ((knot - a) / (b - a)) * (edges[k + 1]! - edges[k]!)],
      );
    });
    return make(
      domain,
      [...bounds, ...bent].sort((a, b) => a - b),
      (t) => {
        const at = bounds.findIndex((bound) => t < bound);
        const k = at < 0 ? parts.length - 1 : at;
        const [low, high] = [edges[k]!, edges[k + 1]!];
        const [a, b] = [encode[2 * k] ?? 0, encode[2 * k + 1] ?? 1];
        return parts[k]!(high === low ? a : a + ((t - low) / (high - low)) * (b - a));
      },
    );
  }
  if (kind === 0 && found instanceof Stream) return sampled(view, found, domain);
  if (kind === 4 && found instanceof Stream) return calculating(view, found, domain);
  return undefined;
}

/** The samples of a function, one of its results at a time: 0 for one that is not there. Undefined for depths that are not read. */
export function samplesOf(
  view: PdfView,
  stream: Stream,
): { outputs: number; at(sample: number, output: number): number } | undefined {
  const { bytes } = unpacked(stream, view.file);
  const bits = Number(view.file.get(stream.dict.get('BitsPerSample')) ?? 8);
  const range = numbersOf(view, stream.dict.get('Range'));
  const outputs = range.length / 2;
  if (![8, 16].includes(bits) || outputs < 1) return undefined;
  const decode = stream.dict.has('Decode') ? numbersOf(view, stream.dict.get('Decode')) : range;
  const wide = bits / 8;
  const at = (sample: number, k: number): number => {
    const from = (sample * outputs + k) * wide;
    const raw = wide === 2 ? ((bytes[from] ?? 0) * 256 + (bytes[from + 1] ?? 0)) / 65535 : (bytes[from] ?? 0) / 255;
    return decode[2 * k]! + raw * (decode[2 * k + 1]! - decode[2 * k]!);
  };
  return { outputs, at };
}

function sampled(view: PdfView, stream: Stream, domain: readonly [number, number]): PdfFunction | undefined {
  const count = numbersOf(view, stream.dict.get('Size'))[0] ?? 0;
  const samples = samplesOf(view, stream);
  if (!samples || count < 2) return undefined;
  const { outputs, at } = samples;
  const step = (domain[1] - domain[0]) / (count - 1);
  const knots = Array.from(
    { length: Math.min(count, 256) - 2 },
    (_, i) => domain[0] + (((i + 1) * (count - 1)) / (Math.min(count, 256) - 1)) * step,
  );
  return make(domain, knots, (t) => {
    const place = (t - domain[0]) / step;
    const low = Math.min(count - 2, Math.floor(place));
    return Array.from({ length: outputs }, (_, k) => at(low, k) + (place - low) * (at(low + 1, k) - at(low, k)));
  });
}

/** Places at which a calculation is asked between the ends of its domain: nothing says where it bends. */
const ASKED = 64;

/** What a program makes of its inputs, within its range. Throws NotCalculable, for some inputs perhaps only when it is asked. */
export function calculatorOf(view: PdfView, stream: Stream): (inputs: readonly number[]) => number[] {
  const range = numbersOf(view, stream.dict.get('Range'));
  const count = range.length / 2;
  const program = programOf(new TextDecoder('latin1').decode(contentsOf(stream, view.file)));
  return (inputs) => {
    const values = calculated(program, inputs);
    if (values.length < count) throw new NotCalculable('A function leaves too little.');
    return values
      .slice(values.length - count)
      .map((value, k) => within(Number.isNaN(value) ? 0 : value, range[2 * k]!, range[2 * k + 1]!));
  };
}

function calculating(view: PdfView, stream: Stream, domain: readonly [number, number]): PdfFunction | undefined {
  try {
    const calculator = calculatorOf(view, stream);
    const of = (t: number): number[] => calculator([t]);
    const knots = Array.from(
      { length: ASKED },
      (_, i) => domain[0] + ((i + 1) / (ASKED + 1)) * (domain[1] - domain[0]),
    );
    // One that cannot be worked out is told of now, not in the middle of a drawing.
    for (const t of [...domain, ...knots]) of(t);
    return make(domain, knots, of);
  } catch (error) {
    if (error instanceof NotCalculable) return undefined;
    throw error;
  }
}
