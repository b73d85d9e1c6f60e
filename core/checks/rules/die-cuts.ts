import { type Check, type Finding, HAIR } from '../check';
import { leastInDie } from '../die-facts';
import { dieHere } from '../die-here';
import { found, foundOnFace } from '../found';

export const dieCuts: Check = {
  id: 'die-cuts',
  name: 'Text, code or logo at the die line',
  protects: 'A die drifts as a guillotine does, and takes the edge off whatever stands too near its line.',
  source: { kind: 'common practice' },
  severity: 'warn',
  limits: ['safe'],
  run: (context) => {
    const die = dieHere(context);
    const safe = context.shop.safe[context.piece.kind];
    if (!die) return [];
    return context.face.elements.flatMap((element): Finding[] => {
      const least = leastInDie(die, element.id);
      if (least === undefined || least >= safe - HAIR) return [];
      return [
        found(dieCuts, element, context, {
          severity: least < 0 ? 'stop' : 'warn',
          problem: least < 0 ? 'The die cuts into it' : 'Too near the die line',
          measured: { value: least, kind: 'length' },
          wanted: { value: safe, kind: 'length' },
        }),
      ];
    });
  },
};

export const dieBleed: Check = {
  id: 'die-bleed',
  name: 'Colour short of the bleed at the die line',
  protects: 'A die drifts a little; colour that ends at its line then shows a white sliver.',
  source: { kind: 'common practice' },
  severity: 'stop',
  limits: ['bleed'],
  run: (context) => {
    const die = dieHere(context);
    const bleed = context.shop.bleed[context.piece.kind];
    if (!die || bleed === 0) return [];
    let [least, at] = [Infinity, -1];
    for (const [i, room] of die.room.entries()) if (room < least) [least, at] = [room, i];
    // Colour is followed in steps: what comes within one of the bleed has it.
    if (at < 0 || least >= bleed - 0.3) return [];
    const place = die.contour[at]!;
    return [
      foundOnFace(dieBleed, context, {
        place: { x: place.x - bleed, y: place.y - bleed, width: 2 * bleed, height: 2 * bleed },
        problem: 'Colour ends too near the die line',
        measured: { value: least, kind: 'length' },
        wanted: { value: bleed, kind: 'length' },
      }),
    ];
  },
};
