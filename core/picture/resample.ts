/** Interleaved bytes of some channels, rows from the top. */
export interface Samples {
  width: number;
  height: number;
  channels: number;
  data: Uint8Array;
}

/** Lanczos's window of three lobes: sharp, with little ringing. */
const LOBES = 3;
const lanczos = (x: number): number => {
  if (x === 0) return 1;
  if (Math.abs(x) >= LOBES) return 0;
  const a = Math.PI * x;
  return (LOBES * Math.sin(a) * Math.sin(a / LOBES)) / (a * a);
};

interface Taps {
  from: number;
  weights: Float32Array;
}

/** Which samples make each of fewer, and how much of each; the window is as wide as what is left out. */
function tapsFor(from: number, to: number): Taps[] {
  const step = from / to;
  const reach = LOBES * Math.max(1, step);
  return Array.from({ length: to }, (_, i) => {
    const middle = (i + 0.5) * step;
    const first = Math.max(0, Math.floor(middle - reach));
    const last = Math.min(from - 1, Math.ceil(middle + reach));
    const weights = Float32Array.from({ length: last - first + 1 }, (_each, k) =>
      lanczos((first + k + 0.5 - middle) / Math.max(1, step)),
    );
    const sum = weights.reduce((total, weight) => total + weight, 0);
    return { from: first, weights: weights.map((weight) => weight / sum) };
  });
}

/** A picture with fewer pixels, by Lanczos's filter over each channel, first across and then down. */
export function resampled({ width, height, channels, data }: Samples, wide: number, high: number): Samples {
  const across = tapsFor(width, wide);
  const half = new Float32Array(wide * height * channels);
  for (let y = 0, to = 0; y < height; y++)
    for (const { from, weights } of across)
      for (let c = 0; c < channels; c++, to++) {
        let sum = 0;
        let at = (y * width + from) * channels + c;
        for (let k = 0; k < weights.length; k++, at += channels) sum += weights[k]! * data[at]!;
        half[to] = sum;
      }
  const down = tapsFor(height, high);
  const row = wide * channels;
  const out = new Uint8ClampedArray(row * high);
  for (const [y, { from, weights }] of down.entries())
    for (let x = 0; x < row; x++) {
      let sum = 0;
      for (let k = 0; k < weights.length; k++) sum += weights[k]! * half[(from + k) * row + x]!;
      out[y * row + x] = sum;
    }
  return { width: wide, height: high, channels, data: new Uint8Array(out.buffer) };
}
