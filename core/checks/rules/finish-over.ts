import type { Cmyk } from '../../colour/ink';
import { lightnessOn } from '../../colour/stock';
import { areaOfRings, combinedRings } from '../../geometry/clipping';
import { removeFinish } from '../../job/edits/finishing';
import { finishSays } from '../../job/finishing';
import { inkRings } from '../../scene/ink-rings';
import { FINISH_REGISTER, VARNISHED_TYPE } from '../../trade/finish-limits';
import type { Check, Finding } from '../check';
import { finishesHere, smallestType } from '../finish-shape';
import { found, foundOnFace } from '../found';

export const varnishRegister: Check = {
  id: 'varnish-register',
  name: 'Varnish on letters too small for it',
  protects:
    'A coat lies up to half a millimetre beside the print; on small letters it covers the paper between them instead.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: (context) =>
    finishesHere(context).flatMap(({ finish, elements }) => {
      if (finish.kind !== 'varnish') return [];
      return elements.flatMap((element): Finding[] => {
        const size = smallestType(element, context);
        if (size >= VARNISHED_TYPE) return [];
        return [
          found(varnishRegister, element, context, {
            problem: `Varnish meets print within ${Math.round((FINISH_REGISTER * 25.4) / 7.2) / 10} mm only: it will lie beside these letters`,
            measured: { value: size, kind: 'type' },
            wanted: { value: VARNISHED_TYPE, kind: 'type' },
          }),
        ];
      });
    }),
};

export const glueCovered: Check = {
  id: 'glue-covered',
  name: 'Ink, foil or varnish where glue goes',
  protects: 'Glue does not hold on ink, foil or varnish, and the piece comes open.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: (context) => {
    const all = finishesHere(context);
    const glue = all.filter(({ finish }) => finish.kind === 'glue').flatMap(({ elements }) => elements);
    if (glue.length === 0) return [];
    const rings = glue.flatMap((element) => inkRings(element, context.sources));
    const over = all.filter(({ finish }) => finish.kind === 'foil' || finish.kind === 'varnish');
    const covered = [
      ...context.face.elements.map((element) => ({ element, what: 'Ink' })),
      ...over.flatMap(({ finish, elements }) => elements.map((element) => ({ element, what: finishSays(finish) }))),
    ];
    const lying = covered.flatMap(({ element, what }): Finding[] =>
      areaOfRings(combinedRings('intersection', inkRings(element, context.sources), rings)) < 1
        ? []
        : [found(glueCovered, element, context, { of: 'glue', problem: `${what} lies where glue goes` })],
    );
    const whole = over.filter(({ isWhole }) => isWhole);
    return [
      ...lying,
      ...whole.map(({ finish }) =>
        foundOnFace(glueCovered, context, {
          of: finish.id,
          problem: `${finishSays(finish)} covers the side whole, the glue too: leave it out there`,
        }),
      ),
    ];
  },
};

/** A stock is as good as white from this CIE L* on: natural and cream papers have 90 to 95 (common practice). */
const AS_WHITE = 88;

/** Stocks that are not white, by what they are called where their colour is not known. */
const NOT_WHITE = /\b(kraft|black|schwarz\w*|brown|grey|gray|colou?red|clear|transparent|metallic|foil|silver|gold)\b/i;

const BARE: Cmyk = [0, 0, 0, 0];

export const whiteUnder: Check = {
  id: 'white-under',
  name: 'Colour without white on stock that is not',
  protects:
    'Inks are see-through: on brown, coloured or clear stock all colours take on that of the stock, unless white lies below.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: (context) => {
    const { piece, face } = context;
    const { stock = '', colour } = piece.order ?? {};
    const isWhite =
      colour === undefined ? !NOT_WHITE.test(stock) : lightnessOn(colour, context.press, BARE) >= AS_WHITE;
    if (isWhite || face.elements.length === 0) return [];
    const white = finishesHere(context).filter(({ finish }) => finish.kind === 'white');
    if (white.length > 0) return [];
    return [
      foundOnFace(whiteUnder, context, {
        problem: `On ${stock === '' ? 'this stock' : `“${stock}”`} colours come out as dark as it is: lay White below what must keep its colour`,
      }),
    ];
  },
};

export const emptyFinish: Check = {
  id: 'empty-finish',
  name: 'A finish with nothing on it',
  protects: 'A finish that is listed and has no form is asked about by the shop, or paid for.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: (context) => {
    const { piece, face } = context;
    if (piece.faces[0]?.id !== face.id) return [];
    return (piece.finishing ?? []).flatMap((finish): Finding[] => {
      const isUsed = piece.faces.some(
        (each) => finish.whole?.includes(each.id) || each.elements.some((e) => e.finish === finish.id && !e.hidden),
      );
      return isUsed
        ? []
        : [
            foundOnFace(emptyFinish, context, {
              of: finish.id,
              problem: `${finishSays(finish)} has nothing on it`,
              fix: { label: 'Take it off', apply: (job) => removeFinish(job, piece.id, finish.id) },
            }),
          ];
    });
  },
};
