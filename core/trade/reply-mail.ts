import { toPoints } from '../units/length';

/**
 * Mail that comes back, by the rules of the United States: what sorting machines know it by, and what says who pays. From memory
 * of the Domestic Mail Manual (505) and its Quick Service Guide of reply mail. Lengths in points.
 */

interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

const inch = (value: number): number => toPoints(value, 'in');

/** By kind: its name, and the bars (1) and gaps (0) of its facing mark, from left to right. */
export const REPLIES = {
  courtesy: { name: 'Courtesy reply: its sender stamps it', facing: '110010011', isPaid: false },
  business: { name: 'Business reply: you pay', facing: '101101101', isPaid: true },
  coded: { name: 'Business reply with a sorting code', facing: '110101011', isPaid: true },
} as const;
export type Reply = keyof typeof REPLIES;
export const REPLY_KINDS = Object.keys(REPLIES) as [Reply, ...Reply[]];

/** The facing mark: bars of 1/32 in, 1/16 in apart, 5/8 in high, the last one 2 in from the right edge, at most 1/8 in below the top. */
const FACING = { bar: inch(1 / 32), pitch: inch(1 / 16), height: inch(5 / 8), right: inch(2), top: inch(1 / 16) };
/** What stays clear around it: 1 1/4 in wide, 1 3/4 in from the right edge. */
const CLEAR = { width: inch(1.25), right: inch(1.75), height: inch(11 / 16) };
/** Where the stamp would be. */
const BOX = { width: inch(1.25), height: inch(1), inset: inch(1 / 4) };
/** Level bars below it: at least an inch long, 1/16 in thick, as far apart as they are thick. */
const LEVEL = { length: inch(1), thick: inch(1 / 16), count: 7, gap: inch(1 / 8) };

export interface ReplyText {
  name: string;
  text: string;
  /** Its box; it stands in the middle where it says so. */
  box: Box;
  size: number;
  isCentred: boolean;
}
export interface ReplyDrawn {
  bars: { name: string; box: Box }[];
  frame?: Box;
  texts: ReplyText[];
}

/** Where nothing but the facing mark may lie on a side so wide. */
export const facingClear = (width: number): Box => ({
  x: width - CLEAR.right - CLEAR.width,
  y: 0,
  width: CLEAR.width,
  height: CLEAR.height,
});

function facing(pattern: string, width: number): ReplyDrawn['bars'] {
  const first = width - FACING.right - FACING.bar - (pattern.length - 1) * FACING.pitch;
  return [...pattern].flatMap((each, i) =>
    each === '1'
      ? [
          {
            name: 'Facing mark',
            box: { x: first + i * FACING.pitch, y: FACING.top, width: FACING.bar, height: FACING.height },
          },
        ]
      : [],
  );
}

/** What is printed on the address side of a reply so wide; `permit` as the post office gave it, with town and state. */
export function replyDrawn(kind: Reply, width: number, permit: string): ReplyDrawn {
  const { facing: pattern, isPaid } = REPLIES[kind];
  const marks = facing(pattern, width);
  const box = { x: width - BOX.inset - BOX.width, y: BOX.inset, width: BOX.width, height: BOX.height };
  const inBox = (text: string): ReplyText => ({ name: 'Postage', text, box, size: 8, isCentred: true });
  if (!isPaid) return { bars: marks, frame: box, texts: [inBox('PLACE STAMP HERE')] };
  const levels = Array.from({ length: LEVEL.count }, (_, i) => ({
    name: 'Level bar',
    box: {
      x: width - BOX.inset - LEVEL.length,
      y: box.y + box.height + LEVEL.gap + i * 2 * LEVEL.thick,
      width: LEVEL.length,
      height: LEVEL.thick,
    },
  }));
  const left = inch(1 / 2);
  const line = (name: string, text: string, y: number, size: number): ReplyText => ({
    name,
    text,
    box: { x: left, y, width: levels[0]!.box.x - left - inch(1 / 4), height: size * 1.4 },
    size,
    isCentred: false,
  });
  return {
    bars: [...marks, ...levels],
    frame: box,
    texts: [
      inBox('NO POSTAGE NECESSARY IF MAILED IN THE UNITED STATES'),
      // Capitals of at least 3/16 in.
      line('Legend', 'BUSINESS REPLY MAIL', inch(0.85), 21),
      ...(permit ? [line('Permit', `FIRST-CLASS MAIL PERMIT NO. ${permit}`, inch(1.25), 8)] : []),
      line('Who pays', 'POSTAGE WILL BE PAID BY ADDRESSEE', inch(1.5), 8),
    ],
  };
}
