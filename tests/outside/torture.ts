import type { JobBundle } from '../../core/files/job-parts';
import { makePicture, makeRule, makeShape, makeWords } from '../../core/job/make';
import type { Element } from '../../core/job/schema';
import { cardWith, makePng, mm, withPicture } from '../kit';

const green = { ink: 'green', tint: 1 };
const copper = { ink: 'copper', tint: 1 };
const ACROSS: [number, number, number, number, number, number] = [1, 0, 0, 1, 0, 0];
const box = (id: string, x: number, y: number, width: number, height: number) => ({
  id,
  x: mm(x),
  y: mm(y),
  width: mm(width),
  height: mm(height),
});

/** Everything that can go wrong with plates, on one card: overprints, tints, gradients, masks, pictures, small things. */
export function torture(): JobBundle {
  const ground = makeShape({ ...box('ground', -3, -3, 91, 30), paint: { ink: 'green', tint: 0.6 } });
  const photo = makePng(240, 160, (x, y) => [x, 255 - y, (x * y) % 200]);
  const { job, assets, hash } = withPicture(cardWith([ground]), photo);
  const elements: Element[] = [
    makeShape({ ...box('over-spot', 4, 4, 14, 9), paint: copper, overprint: 'overprints' }),
    makeShape({ ...box('out-spot', 20, 4, 14, 9), paint: { ...copper, tint: 0.4 } }),
    makeShape({ ...box('over-black', 6, 6, 26, 3), paint: { ink: 'black', tint: 1 }, overprint: 'overprints' }),
    makeShape({ ...box('over-green', 36, 4, 14, 9), paint: { ink: 'green', tint: 0.3 }, overprint: 'overprints' }),
    makeShape({ ...box('paper-out', 52, 4, 6, 9), paint: { ink: 'paper', tint: 1 } }),
    makeShape({ ...box('paper-over', 60, 4, 6, 9), paint: { ink: 'paper', tint: 1 }, overprint: 'overprints' }),
    makeShape({
      ...box('runs', 4, 16, 24, 8),
      paint: {
        kind: 'linear',
        place: ACROSS,
        stops: [
          { at: 0, ...green },
          { at: 1, ...copper },
        ],
      },
    }),
    makeShape({
      ...box('round', 30, 15, 10, 10),
      paint: {
        kind: 'radial',
        place: [0.5, 0, 0, 0.5, 0.5, 0.5],
        stops: [
          { at: 0, ink: 'black', tint: 0.9 },
          { at: 1, ink: 'black', tint: 0.1 },
        ],
      },
      form: { kind: 'ellipse' },
    }),
    makeShape({
      ...box('off-middle', 30, 45.5, 14, 8),
      paint: {
        kind: 'radial',
        place: [0.5, 0, 0, 0.5, 0.5, 0.5],
        focus: { x: 0.5, y: -0.4 },
        stops: [
          { at: 0, ...copper, tint: 0.1 },
          { at: 0.5, ink: 'green', tint: 0.5 },
          { at: 1, ...green },
        ],
      },
    }),
    makeShape({ ...box('through', 42, 15, 14, 10), paint: copper, opacity: 0.5 }),
    makeShape({ ...box('through-green', 50, 17, 12, 10), paint: green, opacity: 0.35 }),
    makePicture({ ...box('photo', 4, 30, 24, 20), asset: hash }),
    makePicture({
      ...box('faded', 30, 30, 20, 14),
      asset: hash,
      fade: { kind: 'linear', place: ACROSS },
    }),
    makePicture({ ...box('one-ink', 52, 30, 14, 10), asset: hash, inks: [copper] }),
    makePicture({
      ...box('two-inks', 68, 30, 14, 10),
      asset: hash,
      inks: [
        { ink: 'black', tint: 1 },
        { ...copper, tint: 0.5 },
      ],
    }),
    makePicture({ ...box('turned', 55, 43, 12, 8), asset: hash, turn: 30 }),
    makeShape({
      ...box('shadowed', 70, 43, 10, 7),
      paint: green,
      shadow: { ink: 'black', tint: 0.5, x: mm(1), y: mm(1), blur: mm(1) },
    }),
    // Only flat colours leave alone the process plates that they have not got: these name theirs.
    makeShape({
      ...box('shadow-over', 6, 51, 8, 3),
      paint: { ink: 'copper', tint: 1 },
      overprint: 'overprints',
      shadow: { ink: 'black', tint: 0.8, x: mm(1), y: mm(0.8), blur: mm(0.5) },
    }),
    makeShape({
      ...box('runs-over', 16, 22, 12, 7),
      overprint: 'overprints',
      paint: {
        kind: 'linear',
        place: ACROSS,
        stops: [
          { at: 0, ink: 'black', tint: 1 },
          { at: 1, ink: 'black', tint: 0.2 },
        ],
      },
    }),
    makeRule({
      ...box('arrow', 30, 53.5, 30, 0.5),
      dash: [mm(2), mm(1)],
      ends: 'arrows',
      paint: {
        kind: 'linear',
        place: ACROSS,
        stops: [
          { at: 0, ...green },
          { at: 1, ...copper },
        ],
      },
    }),
    makeWords({ id: 'small', text: 'Small black words overprint', x: mm(5), y: mm(25.2), lettering: { size: 7 } }),
    ...Array.from({ length: 44 }, (_, i) =>
      i % 2 === 0
        ? makeRule({
            ...box(`rule-${i}`, 68 + (i % 6) * 2, 3 + i * 0.5, 1.5, 0.3),
            paint: i % 4 === 0 ? copper : green,
          })
        : makeShape({
            ...box(`dot-${i}`, 68 + (i % 7) * 2, 3 + i * 0.5, 1.2, 1.2),
            paint: { ink: 'black', tint: (i % 10) / 10 },
            form: { kind: 'ellipse' },
          }),
    ),
  ];
  const piece = job.pieces[0]!;
  const face = piece.faces[0]!;
  const crowded = { ...job, pieces: [{ ...piece, faces: [{ ...face, elements: [...face.elements, ...elements] }] }] };
  return { job: crowded, assets };
}
