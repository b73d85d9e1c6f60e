import { isFinish } from '../../colour/finishes';
import { type Plates, PROCESS_PLATES } from '../../colour/ink';
import type { PlateGrid } from '../../devices/plates/device';
import { highestOf, totalsOf } from '../../devices/plates/readings';
import { type Box, distancesTo, overlaps, type Point } from '../../geometry/box';
import { apply } from '../../geometry/matrix';
import { isShade } from '../../scene/colour';
import { conditionOf } from '../../trade/conditions';
import { INK_LIMITS } from '../../trade/ink-limits';
import type { Severity, ShopSpec } from '../../trade/schema';
import { asMeasured, formatLength } from '../../units/length';
import type { GlyphSeen } from './drawn/hear';
import { readyPictures } from './drawn/jpx';
import type { ScreenInks } from './drawn/spaces';
import { shortOfBleed } from './ink-at-edge';
import { blankRead, letterBox, type PageRead, type PictureDrawn, pictureDrawn, readPage } from './page-read';
import { type BoxNumbers, boxAt, mediaOf, trimOf } from './parsed/boxes';
import { parseAnyPdf, refuseEncrypted } from './parsed/file';
import { layersIn } from './parsed/layers';
import { SyntaxFault } from './parsed/syntax';
import { type PdfView, textOf, viewFile } from './parsed/view';
import { fontsIn, intentOf, screenColoursIn, standardOf } from './read-back';
import { type RuleSeen, type Standard, verify } from './rules';

/** What is in a PDF of any make, and what a print shop would find in it. Lengths in points. */

export interface FileFinding {
  check: string;
  severity: Severity;
  /** The page, 1 first. */
  page: number;
  says: string;
  /** Where on the finished page, points from the corner of its trim, where it is at one place. */
  at?: Point;
}

export interface PageInspected {
  media: BoxNumbers;
  crop?: BoxNumbers | undefined;
  bleed?: BoxNumbers | undefined;
  trim?: BoxNumbers | undefined;
  art?: BoxNumbers | undefined;
  /** Where the page is cut: its trim box, or what stands in for it. */
  cut: BoxNumbers;
  turned: number;
  /** Points a unit of the page. */
  unit: number;
  pictures: PictureDrawn[];
  fonts: string[];
  plates: string[];
  /** The highest total ink within the cut, 0 to 4 and more. */
  highestInk: number;
  smallestType: number | undefined;
  thinnestLine: number | undefined;
  /** What is see-through on it, and whether anything overprints. */
  soft: string[];
  overprints: boolean;
  /** What is on it that is not looked into. */
  unread: string[];
}

export interface Inspection {
  version: string;
  title: string | undefined;
  producer: string | undefined;
  /** The standard that it claims. */
  standard: string | undefined;
  intent: string | undefined;
  /** How many pages it has. */
  pageCount: number;
  /** Those that are drawn: the first ones, where there are very many. */
  pages: PageInspected[];
  fonts: { name: string; kind: string; embedded: boolean; subset: boolean; pages: number[] }[];
  plates: { name: string; pages: number[] }[];
  /** Layers that are processing steps: what is done to the sheet besides printing it. */
  finishing: { name: string; group: string; type: string | undefined; pages: number[] }[];
  /** The rules of the standard that it claims. */
  rules: RuleSeen[];
  findings: FileFinding[];
  /** What had to be repaired to read it. */
  repaired: string[];
  /** What could not be read. */
  unread: string[];
}

const STANDARDS: readonly Standard[] = ['PDF/X-4', 'PDF/X-1a:2003', 'PDF/X-1a:2001'];
/** Pages that are drawn; of more, the first ones. */
const MOST_DRAWN = 60;

/** The part of the device's space that is left once the page is cut: it begins at the origin. */
const cutBox = ([x0, y0, x1, y1]: BoxNumbers): Box => ({ x: 0, y: 0, width: x1 - x0, height: y1 - y0 });

const flat = (colour: GlyphSeen['colour']): Plates | undefined => (colour && !isShade(colour) ? colour : undefined);

/** How far a letter's box is from the nearest edge of the cut; negative where it is cut into. */
function toEdge(letter: Box, cut: Box): number {
  const { top, right, bottom, left } = distancesTo(letter, cut);
  return Math.min(top, right, bottom, left);
}

/** The middle of a side of the cut, a little inside it. */
const sideMiddle = (side: string, { width, height }: Box): Point =>
  side === 'left' || side === 'right'
    ? { x: side === 'left' ? 1 : width - 1, y: height / 2 }
    : { x: width / 2, y: side === 'top' ? 1 : height - 1 };

/** Up to this long a piece is held like a card, else like a flyer; points. */
const CARD = (100 / 25.4) * 72;
const kindOf = ({ width, height }: Box): 'card' | 'flyer' => (Math.max(width, height) <= CARD ? 'card' : 'flyer');

/** A letter that is cut by less than this, in points, is not: a twentieth of a millimetre. */
const HARDLY = 0.14;

type Look = (page: PageRead, facts: PageInspected, shop: ShopSpec) => Omit<FileFinding, 'page'>[];

const PPI_OF_LINE_ART = { warn: 550 };

/** What a file can be asked by itself, each with why it matters. */
const LOOKS: readonly Look[] = [
  ({ grid }, { cut }, shop) =>
    shortOfBleed(grid, cutBox(cut), shop.bleed[kindOf(cutBox(cut))]).map(({ side, reaches }) => ({
      check: 'short-of-bleed',
      severity: 'stop',
      at: sideMiddle(side, cutBox(cut)),
      says: `Colour reaches the trim at the ${side}, but only ${asMeasured([reaches], shop.unit)} of the ${formatLength(shop.bleed[kindOf(cutBox(cut))], shop.unit)} bleed.`,
    })),
  ({ letters }, { cut }, shop) => {
    const box = cutBox(cut);
    const safe = shop.safe[kindOf(box)];
    const near = letters
      .filter((letter) => letter.seen && letter.text.trim() !== '')
      .map((letter) => ({ letter, lies: letterBox(letter) }))
      .filter(({ lies }) => overlaps(lies, box))
      .map(({ letter, lies }) => ({ letter, gap: toEdge(lies, box) }))
      .filter(({ gap }) => gap < safe - 0.5);
    const worst = near.sort((a, b) => a.gap - b.gap)[0];
    if (!worst) return [];
    const cuts = worst.gap < -HARDLY;
    const where = cuts
      ? `run ${asMeasured([-worst.gap], shop.unit)} past the trim`
      : `stand ${asMeasured([Math.max(0, worst.gap)], shop.unit)} from the trim`;
    return [
      {
        check: 'outside-safe',
        severity: cuts ? 'stop' : 'warn',
        at: { x: worst.letter.x, y: worst.letter.y - 0.3 * worst.letter.size },
        says: `Words ${where}, needs ${formatLength(safe, shop.unit)} (${near.length} letters).`,
      },
    ];
  },
  (read, { pictures }, { ppi: { wanted, warn, stop } }) =>
    pictures.flatMap(({ width, height, ppi, ppiDown, bits, space, patch }, i) => {
      const at = apply(read.pictures[i]!.place, { x: 0.5, y: 0.5 });
      const least = Math.min(ppi, ppiDown);
      if (patch || width * height < 16) return [];
      if (bits === 1)
        return least < PPI_OF_LINE_ART.warn
          ? [
              {
                check: 'line-art-ppi',
                severity: 'warn' as const,
                at,
                says: `Line art of ${width} × ${height} pixels has ${Math.round(least)} ppi, needs ${PPI_OF_LINE_ART.warn}.`,
              },
            ]
          : [];
      if (Math.round(least) >= warn) return [];
      const severity = least < stop ? ('stop' as const) : ('warn' as const);
      return [
        {
          check: 'low-ppi',
          severity,
          at,
          says: `A picture of ${width} × ${height} pixels (${space}) has ${Math.round(least)} ppi, needs ${wanted}.`,
        },
      ];
    }),
  (_, { highestInk }, shop) => {
    const limit = Math.min(conditionOf(shop.condition).totalInk, shop.limits.totalInk ?? 9);
    return highestInk > limit + 0.005
      ? [
          {
            check: 'total-ink',
            severity: 'stop',
            says: `Total ink is ${Math.round(highestInk * 100)} %, at most ${Math.round(limit * 100)} %.`,
          },
        ]
      : [];
  },
  (_, { plates }, { plates: { process, spots } }) => {
    const all = plates.filter(
      (plate) => !PROCESS_PLATES.includes(plate as never) && plate !== 'All' && !isFinish(plate),
    );
    if (all.length > spots)
      return [
        {
          check: 'shop-plates',
          severity: 'stop',
          says: `${all.length} spot inks (${all.join(', ')}); the shop prints ${spots}.`,
        },
      ];
    const colours = plates.filter((plate) => PROCESS_PLATES.includes(plate as never) && plate !== 'Black');
    return process === 'black' && colours.length > 0
      ? [
          {
            check: 'shop-plates',
            severity: 'stop',
            says: `${colours.join(', ')} are used; the shop prints black alone.`,
          },
        ]
      : [];
  },
  ({ paths }, _, { limits }) => {
    const pens = paths.flatMap(({ pen }) => (pen ? [pen.weight] : []));
    const least = pens.length > 0 ? Math.min(...pens) : Number.POSITIVE_INFINITY;
    return least < limits.line.any - 0.001
      ? [
          {
            check: 'thin-lines',
            severity: least < limits.line.any / 2 ? 'stop' : 'warn',
            says: `The thinnest line is ${least.toFixed(2)} pt, needs ${limits.line.any} pt.`,
          },
        ]
      : [];
  },
  ({ letters }) => {
    const rich = letters.filter(({ colour, size, seen, text }) => {
      const plates = flat(colour);
      const inks = plates ? PROCESS_PLATES.filter((plate) => (plates[plate] ?? 0) > 0.05) : [];
      return (
        seen && text.trim() !== '' && size < INK_LIMITS.richWords && inks.length > 2 && (plates?.['Black'] ?? 0) > 0.7
      );
    });
    return rich.length > 0
      ? [
          {
            check: 'rich-black-words',
            severity: 'warn',
            says: `Words of ${Math.min(...rich.map(({ size }) => size)).toFixed(1)} pt are in a black of several inks (${rich.length} letters).`,
          },
        ]
      : [];
  },
  ({ letters, paths }) => {
    const isWhite = ({ colour, overprints }: { colour: GlyphSeen['colour']; overprints: boolean }): boolean => {
      const plates = flat(colour);
      return overprints && plates !== undefined && Object.values(plates).every((amount) => amount === 0);
    };
    const count = [...letters.filter(({ seen }) => seen), ...paths].filter(isWhite).length;
    return count > 0
      ? [
          {
            check: 'white-overprint',
            severity: 'stop',
            says: `White overprints: it is not there on paper (${count} times).`,
          },
        ]
      : [];
  },
  ({ grid }, { cut, media }) => {
    // A press sheet is cut by nobody: its marks lie within it.
    if (cut.every((n, i) => Math.abs(n - media[i]!) < 0.5)) return [];
    const all = grid.plates.get('All');
    const { total } = all ? highestOf({ ...grid, plates: new Map([['All', all]]) }, all, cutBox(cut)) : { total: 0 };
    return total > 0.3
      ? [{ check: 'registration-colour', severity: 'stop', says: 'Something within the trim prints on every plate.' }]
      : [];
  },
];

function inspectPage(view: PdfView, i: number, read: PageRead, finishes: ReadonlySet<string>): PageInspected {
  const page = view.pages[i]!;
  const cut = trimOf(view, page);
  const unit = Number(view.file.get(page.get('UserUnit')) ?? 1) || 1;
  // What no letter is told of by its code is one all the same where there is a shape.
  const seen = read.letters.filter(({ seen, text }) => seen && (text === '' || text.trim() !== ''));
  const pens = read.paths.flatMap(({ pen }) => (pen ? [pen.weight] : []));
  const least = (values: readonly number[]): number | undefined =>
    values.length > 0 ? values.reduce((a, b) => Math.min(a, b)) * unit : undefined;
  // Letters whose outlines are not read still print from their plates.
  const lettered = seen.flatMap(({ colour }) =>
    Object.entries(flat(colour) ?? {}).flatMap(([plate, amount]) => (amount > 0 ? [plate] : [])),
  );
  const laid = [...read.grid.plates].flatMap(([plate, cells]) =>
    cells.some((amount) => amount > 0.002) ? [plate] : [],
  );
  const used = [...new Set([...laid, ...lettered])].filter((plate) => !finishes.has(plate));
  return {
    media: mediaOf(view, page),
    crop: boxAt(view, page, 'CropBox'),
    bleed: boxAt(view, page, 'BleedBox'),
    trim: boxAt(view, page, 'TrimBox'),
    art: boxAt(view, page, 'ArtBox'),
    cut,
    turned: Number(view.file.get(page.get('Rotate')) ?? 0) || 0,
    unit,
    pictures: read.pictures.map((picture) => {
      const drawn = pictureDrawn(view, picture);
      return { ...drawn, ppi: drawn.ppi / unit, ppiDown: drawn.ppiDown / unit };
    }),
    fonts: [...new Set(read.letters.map(({ font }) => font.name))],
    plates: [
      ...PROCESS_PLATES.filter((plate) => used.includes(plate)),
      ...used.filter((plate) => !PROCESS_PLATES.includes(plate as never)).sort(),
    ],
    highestInk: highestOf(read.grid, totalsOf(read.grid), cutBox(cut)).total,
    smallestType: least(seen.map(({ size }) => size)),
    thinnestLine: least(pens),
    soft: read.soft,
    overprints: [...read.letters, ...read.paths].some(({ overprints }) => overprints),
    unread: read.unread,
  };
}

/** The plates that lay ink: not those of finishing. */
const inkOnly = (grid: PlateGrid, finishes: ReadonlySet<string>): PlateGrid => ({
  ...grid,
  plates: new Map([...grid.plates].filter(([plate]) => !finishes.has(plate))),
});

/** A page as it is drawn; where it cannot be, that is told, and its boxes are all that is known. */
function readOrBlank(
  view: PdfView,
  i: number,
  screenInks: ScreenInks | undefined,
  unread: (what: string) => void,
): PageRead {
  try {
    return readPage(view, i, screenInks);
  } catch (error) {
    if (!(error instanceof SyntaxFault)) throw error;
    unread(`page ${i + 1}: ${error.message}`);
    return blankRead(view, i);
  }
}

const pagesWith = (pages: readonly PageInspected[], has: (page: PageInspected) => boolean): number[] =>
  pages.flatMap((page, i) => (has(page) ? [i + 1] : []));

export interface InspectAsked {
  /** The standard whose rules it is held against, where it is not the one that it claims. */
  standard?: Standard | undefined;
  /** Colours of a screen as the shop's press has them, where its profile is at hand; a guess otherwise. */
  screenInks?: ScreenInks | undefined;
  /** Hears of each page before it is drawn, 1 first, and of how many there are. */
  hear?: ((page: number, of: number) => void) | undefined;
}

/** What a shop that asks for a standard says of a file that claims none, or one that allows more. */
function standardMissed(claimed: string | undefined, asked: Standard): FileFinding[] {
  const isFlat = (standard: string): boolean => standard.startsWith('PDF/X-1a');
  // All that PDF/X-1a allows is allowed by the later ones.
  if (claimed !== undefined && (isFlat(claimed) || !isFlat(asked))) return [];
  const is = claimed === undefined ? 'The file claims no standard' : `The file claims ${claimed}`;
  return [
    {
      check: 'standard',
      severity: 'warn',
      page: 1,
      says: `${is}; the shop asks for ${asked}. Export it as that from its program, with the shop’s press profile.`,
    },
  ];
}

/**
 * Looks into a PDF of any make as a shop with this spec would. Throws SyntaxFault, with what to do, where it is encrypted, or
 * nothing of it can be read.
 */
export async function inspectPdf(
  bytes: Uint8Array,
  shop: ShopSpec,
  { standard, screenInks, hear }: InspectAsked = {},
): Promise<Inspection> {
  const file = parseAnyPdf(bytes);
  refuseEncrypted(file);
  const unread: string[] = [];
  const view = viewFile(file, (what) => unread.push(what));
  if (view.pages.length === 0) throw new SyntaxFault('The file has no pages that can be read');
  const steps = layersIn(view).filter(({ group }) => group !== undefined);
  const finishes = new Set(steps.flatMap(({ plates }) => plates));
  const pages: PageInspected[] = [];
  const findings: FileFinding[] = [];
  const drawn = view.pages.slice(0, MOST_DRAWN);
  for (const [i] of drawn.entries()) {
    hear?.(i + 1, drawn.length);
    await readyPictures(view, i);
    const read = readOrBlank(view, i, screenInks, (what) => unread.push(what));
    const facts = inspectPage(view, i, { ...read, grid: inkOnly(read.grid, finishes) }, finishes);
    pages.push(facts);
    findings.push(...LOOKS.flatMap((look) => look(read, facts, shop)).map((each) => ({ ...each, page: i + 1 })));
  }
  if (view.pages.length > MOST_DRAWN)
    unread.push(`pages from ${MOST_DRAWN + 1} on: only the first ${MOST_DRAWN} are drawn`);
  const facts = fontsIn(view);
  for (const { name, embedded } of facts) {
    const [on] = pagesWith(pages, ({ fonts }) => fonts.includes(name));
    // One that no page uses is not missed; where not all are drawn, it may be.
    if (!embedded && (on !== undefined || view.pages.length > MOST_DRAWN))
      findings.push({
        check: 'not-embedded',
        severity: 'stop',
        page: on ?? MOST_DRAWN + 1,
        says: `The typeface ${name} is not embedded: another may be printed.`,
      });
  }
  const screen = screenColoursIn(view);
  if (screen.length > 0)
    findings.push({
      check: 'screen-colours',
      severity: 'warn',
      page: pagesWith(pages, ({ pictures }) => pictures.some(({ space }) => /RGB|Lab/.test(space)))[0] ?? 1,
      says: `Screen colours are left (${screen.join(', ')}): the shop turns them into inks by its own rules. Amounts of ink are ${screenInks ? 'those of its usual profile' : 'guesses'}.`,
    });
  const claimed = standardOf(view);
  findings.push(...standardMissed(claimed, standard ?? shop.standard));
  const held = standard ?? STANDARDS.find((each) => each === claimed);
  const names = [...new Set(pages.flatMap(({ plates }) => plates))];
  return {
    version: file.version,
    title: textOf(file, view.info.get('Title')),
    producer: textOf(file, view.info.get('Producer')),
    standard: claimed,
    intent: intentOf(view),
    pageCount: view.pages.length,
    pages,
    fonts: facts.map((font) => ({ ...font, pages: pagesWith(pages, ({ fonts }) => fonts.includes(font.name)) })),
    finishing: steps.map(({ name, group, type, pages: on }) => ({ name, group: group!, type, pages: on })),
    plates: names.map((name) => ({ name, pages: pagesWith(pages, ({ plates }) => plates.includes(name)) })),
    rules: held ? verify(bytes, held) : [],
    findings,
    repaired: [...file.repaired],
    unread: [
      ...new Set([...unread, ...pages.flatMap((page, i) => page.unread.map((what) => `page ${i + 1}: ${what}`))]),
    ],
  };
}
