import { type PointerEvent, useEffect, useMemo, useRef, useState } from 'react';
import { hexOf, type Press } from '../../../core/colour/engine';
import { type HueSlice, hueSlice, type Lch, lchOfLab, MOST_CHROMA, withinReach } from '../../../core/colour/hue-slice';
import { type Cmyk, cmykText, PROCESS_PLATES } from '../../../core/colour/ink';
import { useHeld } from '../use-held';

/** Places of the field that are looked at; the screen blends what lies between. */
const COLUMNS = 32;
const ROWS = 36;
/** Size of the field in CSS pixels. */
const WIDTH = 228;
const HEIGHT = 176;

const SLIDER =
  'h-3.5 w-full cursor-pointer appearance-none rounded-sm border border-black/25 [&::-webkit-slider-thumb]:size-4 [&::-webkit-slider-thumb]:appearance-none [&::-webkit-slider-thumb]:rounded-full [&::-webkit-slider-thumb]:border-2 [&::-webkit-slider-thumb]:border-white [&::-webkit-slider-thumb]:bg-transparent [&::-webkit-slider-thumb]:shadow-[0_0_0_1.5px_#000]';

const x = (chroma: number): number => (chroma / MOST_CHROMA) * WIDTH;
const y = (lightness: number): number => (1 - lightness / 100) * HEIGHT;

/** The colours of a hue that the press reaches, as a picture; nothing beyond. */
function paint(canvas: HTMLCanvasElement, { columns, rows, cells }: HueSlice): void {
  const data = new ImageData(columns, rows);
  cells.forEach((cell, at) => {
    if (cell) data.data.set([...cell.rgb, 255], 4 * at);
  });
  canvas.getContext('2d')!.putImageData(data, 0, 0);
}

/** The line around what is within reach. */
function edgePath({ rows, edge }: HueSlice): string {
  const half = MOST_CHROMA / (COLUMNS - 1) / 2;
  const points = edge.flatMap((chroma, row) =>
    chroma === undefined ? [] : [`${x(chroma + half)},${(row / (rows - 1)) * HEIGHT}`],
  );
  return points.length > 1 ? `M${points.join('L')}` : '';
}

/** A slider's background: the colour that it leads to at each share of its length. */
const ramp = (colourAt: (share: number) => string): string =>
  `linear-gradient(to right, ${[0, 0.25, 0.5, 0.75, 1].map(colourAt).join(',')})`;
const rampOf = (press: Press, at: (share: number) => Lch): string =>
  ramp((share) => hexOf(withinReach(press, at(share)).rgb));

/** A colour of the press chosen by eye: its hue, and how strong and light it is; beyond the line no ink reaches. */
export function ColourField({ press, cmyk, onChange }: { press: Press; cmyk: Cmyk; onChange(cmyk: Cmyk): void }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [asked, setAsked] = useState<{ lch: Lch; made: string }>();
  // What was asked for stays where it was put as long as its amounts stay; greys keep the hue they had.
  const lch = asked?.made === cmykText(cmyk) ? asked.lch : lchOfLab(press.lab(cmyk));
  const hue = Math.round(lch.hue);
  const slice = useMemo(() => hueSlice(press, hue, COLUMNS, ROWS), [press, hue]);
  const hues = useMemo(
    () =>
      Array.from({ length: 25 }, (_, i) =>
        hexOf(withinReach(press, { lightness: 62, chroma: 60, hue: i * 15 }).rgb),
      ).join(','),
    [press],
  );
  // Typing a name draws the form again, and none of these changes by it.
  const { lightness, chroma } = lch;
  const byStrength = useMemo(
    () => rampOf(press, (share) => ({ lightness, hue: lch.hue, chroma: share * MOST_CHROMA })),
    [press, lightness, lch.hue],
  );
  const byLightness = useMemo(
    () => rampOf(press, (share) => ({ chroma, hue: lch.hue, lightness: share * 100 })),
    [press, chroma, lch.hue],
  );
  useEffect(() => paint(canvas.current!, slice), [slice]);

  function ask(part: Partial<Lch>): void {
    const to = { ...lch, ...part };
    const made = withinReach(press, to);
    const { chroma } = lchOfLab(made.lab);
    setAsked({ lch: { ...to, chroma: Math.min(to.chroma, chroma) }, made: cmykText(made.cmyk) });
    onChange(made.cmyk);
  }
  function point({ clientX, clientY, currentTarget }: PointerEvent<Element>): void {
    const box = currentTarget.getBoundingClientRect();
    const share = (at: number): number => Math.max(0, Math.min(1, at));
    ask({
      chroma: MOST_CHROMA * share((clientX - box.left) / box.width),
      lightness: 100 * (1 - share((clientY - box.top) / box.height)),
    });
  }
  // A drag goes on beyond the field, along its rim.
  const hold = useHeld<Cmyk>({
    move: (_, _by, event) => point(event),
    end(before, how) {
      if (how === 'settle') return;
      setAsked(undefined);
      onChange(before);
    },
  });
  const slider = (name: string, value: number, most: number, background: string, change: (to: number) => void) => (
    <label className="grid grid-cols-[5.2rem_1fr_2.2rem] items-center gap-2 text-[13.5px]">
      {name}
      <input
        type="range"
        className={SLIDER}
        style={{ background }}
        min={0}
        max={most}
        value={Math.round(value)}
        onChange={(event) => change(event.target.valueAsNumber)}
      />
      <span className="quiet text-right text-[13px] tabular-nums">{Math.round(value)}</span>
    </label>
  );
  return (
    <fieldset aria-label="Colour by eye" className="grid gap-2">
      <div
        data-field
        aria-hidden="true"
        className="relative cursor-crosshair touch-none overflow-hidden rounded-sm border border-base-content/40 bg-[repeating-linear-gradient(135deg,var(--color-base-200)_0_6px,var(--color-base-300)_6px_7px)]"
        style={{ width: WIDTH, height: HEIGHT }}
        title="Strength from left to right, lightness upward; hatched: beyond this press"
        {...hold((event) => {
          point(event);
          return cmyk;
        })}
      >
        <canvas ref={canvas} width={COLUMNS} height={ROWS} className="absolute inset-0 size-full" />
        <svg className="absolute inset-0" aria-hidden="true" width={WIDTH} height={HEIGHT}>
          <path d={edgePath(slice)} fill="none" stroke="var(--color-base-content)" strokeWidth={1} />
          <circle cx={x(lch.chroma)} cy={y(lch.lightness)} r={6} fill="none" stroke="#000" strokeWidth={3.5} />
          <circle cx={x(lch.chroma)} cy={y(lch.lightness)} r={6} fill="none" stroke="#fff" strokeWidth={2} />
        </svg>
      </div>
      {slider('Hue, °', hue, 360, `linear-gradient(to right, ${hues})`, (to) => ask({ hue: to }))}
      {slider('Strength', lch.chroma, MOST_CHROMA, byStrength, (to) => ask({ chroma: to }))}
      {slider('Lightness', lch.lightness, 100, byLightness, (to) => ask({ lightness: to }))}
    </fieldset>
  );
}

/** The four amounts, each as a slider in the colours it leads to, with its number beside it. */
export function PlateSliders({
  press,
  cmyk,
  texts,
  onType,
}: {
  press: Press;
  cmyk: Cmyk | undefined;
  /** Percents as they are typed. */
  texts: readonly string[];
  onType(plate: number, text: string): void;
}) {
  const shown = cmyk ?? [0, 0, 0, 0];
  return (
    <div className="grid gap-1.5">
      {PROCESS_PLATES.map((plate, i) => {
        const at = (amount: number): string => hexOf(press.screen(shown.map((a, j) => (j === i ? amount : a)) as Cmyk));
        return (
          <div key={plate} className="grid grid-cols-[4.2rem_1fr_4.6rem] items-center gap-2 text-[13.5px]">
            <span>{plate}</span>
            <input
              type="range"
              className={SLIDER}
              style={{ background: ramp(at) }}
              aria-label={`${plate}, slid`}
              min={0}
              max={100}
              value={Math.round(shown[i]! * 100)}
              onChange={(event) => onType(i, event.target.value)}
            />
            <label className="input input-sm w-full gap-1 px-2">
              <input
                aria-label={plate}
                inputMode="decimal"
                className="min-w-0 text-right"
                value={texts[i]}
                onChange={(event) => onType(i, event.target.value)}
              />
              %
            </label>
          </div>
        );
      })}
    </div>
  );
}
