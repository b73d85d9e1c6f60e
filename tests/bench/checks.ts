import { checkPiece } from '../../core/checks/check-piece';
import { simulateCuts } from '../../core/cut/simulate';
import { traceDevice } from '../../core/devices/trace';
import { setFrame } from '../../core/job/edits/elements';
import { makeShape, makeWords } from '../../core/job/make';
import type { Element } from '../../core/job/schema';
import { drawFace } from '../../core/scene/face';
import { printedFaces } from '../../core/scene/shown-faces';
import { sourcesOf } from '../../core/scene/sources';
import { shopOf } from '../../core/trade/shops';
import { cardWith, checkKit, kit, openDemo } from '../kit';

/** A face of 300 elements, a third of them words. */
const crowd = (): Element[] =>
  Array.from({ length: 300 }, (_, i) =>
    i % 3 === 0
      ? makeWords({ id: `w${i}`, x: 20 + (i % 20) * 10, y: 20 + Math.floor(i / 20) * 8, text: `Word ${i}` })
      : makeShape({ id: `s${i}`, x: 10 + (i % 20) * 11, y: 12 + Math.floor(i / 20) * 9, width: 8, height: 6 }),
  );

/** Checks after one edit of 300 elements, and of the demo job, against drawing the same faces once; cuts of the card. */
export async function checksAgainstDrawing(): Promise<void> {
  let job = cardWith(crowd());
  const check = () => checkPiece(job, job.pieces[0]!, checkKit);
  const draw = () => {
    const sources = sourcesOf(job, kit.fonts);
    for (const face of printedFaces(job.pieces[0]!, sources)) drawFace(face, sources, traceDevice());
  };
  check();
  const [ours, theirs]: [number[], number[]] = [[], []];
  for (let i = 0; i < 61; i++) {
    job = setFrame(job, 's100', { x: 30 + i / 4, y: 30, width: 9, height: 7 });
    let start = performance.now();
    check();
    ours.push(performance.now() - start);
    start = performance.now();
    draw();
    theirs.push(performance.now() - start);
  }
  const middle = (values: number[]): number => values.sort((a, b) => a - b)[Math.floor(values.length / 2)]!;
  const [a, b] = [middle(ours), middle(theirs)];
  console.log(
    `checks after one edit of 300 elements: median ${a.toFixed(1)} ms, 95th percentile ${ours[57]!.toFixed(1)} ms; drawing the face once: ${b.toFixed(1)} ms; ratio ${(a / b).toFixed(2)}`,
  );
  const demo = openDemo().job;
  let start = performance.now();
  for (const piece of demo.pieces) checkPiece(demo, piece, checkKit);
  const whole = performance.now() - start;
  start = performance.now();
  for (const piece of demo.pieces) {
    const sources = sourcesOf(demo, kit.fonts);
    for (const face of printedFaces(piece, sources)) drawFace(face, sources, traceDevice());
  }
  const drawn = performance.now() - start;
  console.log(
    `checks of the whole demo job, read a moment ago: ${whole.toFixed(0)} ms; drawing it once: ${drawn.toFixed(0)} ms; ratio ${(whole / drawn).toFixed(2)}`,
  );
  const card = demo.pieces[0]!;
  start = performance.now();
  simulateCuts(demo, card, shopOf(card.shop), kit.fonts);
  const cuts = performance.now() - start;
  console.log(
    `10,000 cuts of the demo card: ${cuts.toFixed(0)} ms; ratio to drawing the job once ${(cuts / drawn).toFixed(2)}`,
  );
}
