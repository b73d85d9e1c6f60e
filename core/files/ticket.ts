import { pieceFacts } from '../checks/piece-facts';
import { factsOf, finishesUsed, finishPlate, finishSays } from '../job/finishing';
import { finishedSize } from '../job/folds-of';
import type { FoldMade } from '../job/kinds';
import { NO_ORDER, type Order } from '../job/order';
import type { Job, Piece } from '../job/schema';
import { shopIn } from '../job/shops-of';
import { FOLDS, foldLines, panelsOf } from '../trade/folds';
import { formatSize } from '../units/length';
import type { Stop } from './gate';
import { escapeXml } from './xml';

/** What a shop needs to know besides the files: as data of our own, and as XJDF 2.1 (CIP4; from memory). */

const POINTS_A_MM = 72 / 25.4;
const mm = (points: number): number => Math.round((points / POINTS_A_MM) * 1000) / 1000;

export interface PieceTicket {
  id: string;
  name: string;
  kind: Piece['kind'];
  /** The sheet as it is cut, flat: as people say it, and in millimetres. */
  size: string;
  width: number;
  height: number;
  /** As it is handed over, folded where it is; millimetres. */
  finished: { width: number; height: number };
  bleed: number;
  faces: { name: string; plates: string[] }[];
  order: Order;
  /** What is done to it besides printing, each with its plate and the sides that it is on. */
  finishing?: FinishSaid[];
  /** How far the lighter of two inks that meet is spread in the files; millimetres. */
  spread?: number;
  /** What the fold is called, and where the inside is folded as the printer gets it; millimetres. */
  fold?: { name: string; says: string; folds: { from: 'left' | 'top'; at: number }[] };
  shop: string;
  standard: string;
  condition: string;
  files: string[];
  /** Errors that were open when the files were written, and let go: a sentence each. */
  openErrors?: string[];
}

interface FinishSaid {
  kind: string;
  says: string;
  plate: string;
  /** The processing step that it is, by ISO 19593-1. */
  step: string;
  sides: string[];
}

/** What is done to a piece besides printing it, in the order that it lists it. */
const finishingOf = (piece: Piece): FinishSaid[] =>
  finishesUsed(piece).map((finish) => {
    const { group, type } = factsOf(finish);
    return {
      kind: finish.kind,
      says: finishSays(finish),
      plate: finishPlate(finish),
      step: type ? `${group}, ${type}` : group,
      sides: piece.faces.flatMap((face, n) =>
        finishesUsed({ finishing: [finish], faces: piece.faces }, [n]).length > 0 ? [face.name] : [],
      ),
    };
  });

export interface Ticket {
  format: 'tidyedge-ticket';
  version: 1;
  job: string;
  client: string;
  /** ISO 8601. */
  date: string;
  pieces: PieceTicket[];
}

/** A fold as a planner reads it. */
function foldOf(fold: FoldMade, flat: Piece): NonNullable<PieceTicket['fold']> {
  const name = FOLDS[fold.kind];
  const panels = panelsOf(fold, flat, 'inside');
  const folds = foldLines(fold, flat, 'inside').map(({ axis, at }) => ({
    from: axis === 'x' ? ('left' as const) : ('top' as const),
    at: mm(at),
  }));
  if (fold.kind === 'cross') {
    const size = `${mm(panels[0]!.width)} × ${mm(panels[0]!.height)} mm`;
    return { name, says: `${name}: in half from top to bottom, then from side to side, to ${size}`, folds };
  }
  const side = fold.level ? 'height' : 'width';
  const lengths = panels.map((panel) => mm(panel[side]));
  // Of level folds the inside stands head down on its sheet.
  const said = (fold.level ? lengths.reverse() : lengths).join(' + ');
  const way = fold.level ? 'top to bottom' : 'left to right';
  return { name, says: `${name}: panels of ${said} mm on the inside, ${way}`, folds };
}

/** What is ordered of some pieces; `files` are the names of the files that go with each, `letGo` the errors they left with. */
export const ticketOf = (
  job: Job,
  pieces: readonly Piece[],
  files: Readonly<Record<string, readonly string[]>> = {},
  letGo: readonly Stop[] = [],
): Ticket => ({
  format: 'tidyedge-ticket',
  version: 1,
  job: job.id,
  client: job.name,
  date: job.changed,
  pieces: pieces.map((piece) => {
    const shop = shopIn(job, piece.shop);
    const openErrors = letGo.flatMap((stop) => (stop.piece === piece.id ? [stop.says] : []));
    return {
      id: piece.id,
      name: piece.name,
      kind: piece.kind,
      size: formatSize(piece.width, piece.height, piece.unit),
      width: mm(piece.width),
      height: mm(piece.height),
      bleed: mm(shop.bleed[piece.kind]),
      faces: piece.faces.map((face) => ({ name: face.name, plates: pieceFacts(job, { faces: [face] }).plates })),
      order: piece.order ?? NO_ORDER,
      finished: { width: mm(finishedSize(piece).width), height: mm(finishedSize(piece).height) },
      ...(finishesUsed(piece).length > 0 ? { finishing: finishingOf(piece) } : {}),
      ...(piece.spread === undefined ? {} : { spread: mm(piece.spread) }),
      ...(piece.fold ? { fold: foldOf(piece.fold, piece) } : {}),
      shop: shop.name,
      standard: shop.standard,
      condition: shop.condition,
      files: [...(files[piece.id] ?? [])],
      ...(openErrors.length > 0 ? { openErrors } : {}),
    };
  }),
});

/** The ticket that goes with files which left with open errors; none where there were none. */
export const ticketWith = (job: Job, letGo: readonly Stop[]): { name: string; bytes: Uint8Array }[] => {
  const pieces = job.pieces.filter(({ id }) => letGo.some(({ piece }) => piece === id));
  if (pieces.length === 0) return [];
  return [{ name: 'ticket.json', bytes: new TextEncoder().encode(ticketJson(ticketOf(job, pieces, {}, letGo))) }];
};

export const ticketJson = (ticket: Ticket): string => `${JSON.stringify(ticket, null, 1)}\n`;

type Attributes = Readonly<Record<string, string | number | undefined>>;

/** An element with its attributes; those without a value are left out. */
function tag(name: string, attributes: Attributes, inside: readonly string[] = []): string {
  const written = Object.entries(attributes).flatMap(([key, value]) =>
    value === undefined || value === '' ? [] : [` ${key}="${escapeXml(String(value))}"`],
  );
  const open = `<${name}${written.join('')}`;
  return inside.length === 0 ? `${open}/>` : `${open}>\n${inside.join('\n').replace(/^/gm, '  ')}\n</${name}>`;
}

const PRODUCT_TYPES: Readonly<Record<Piece['kind'], string>> = {
  card: 'BusinessCard',
  letterhead: 'Stationery',
  envelope: 'Envelope',
  postcard: 'Postcard',
  flyer: 'Flyer',
};

const points = (millimetres: number): string => (millimetres * POINTS_A_MM).toFixed(3).replace(/\.?0+$/, '');

/** What an NMTOKEN cannot hold (XML 1.0, 2.3). */
const NO_TOKEN = /[^\p{L}\p{N}\p{M}._:-]/gu;

/** Each ink's name as XJDF lists separations, in letters that a list of names can hold; no two are the same. */
function tokensOf(names: readonly string[]): Map<string, string> {
  const tokens = new Map<string, string>();
  const taken = new Set<string>();
  // Names that are tokens already keep theirs, whichever comes first.
  const named = [...new Set(names)].map((name) => ({ name, plain: name.replace(NO_TOKEN, '_') }));
  named.sort((a, b) => Number(a.plain !== a.name) - Number(b.plain !== b.name));
  for (const { name, plain } of named) {
    let token = plain;
    for (let n = 2; taken.has(token); n++) token = `${plain}-${n}`;
    taken.add(token);
    tokens.set(name, token);
  }
  return tokens;
}

const intent = (name: string, attributes: Attributes, inside: readonly string[] = []): string =>
  tag('Intent', { Name: name }, [tag(name, attributes, inside)]);

function product(piece: PieceTicket, tokens: ReadonlyMap<string, string>): string {
  const {
    id,
    name,
    kind,
    width,
    height,
    finished,
    bleed,
    faces,
    order,
    fold,
    spread,
    finishing: steps = [],
    openErrors = [],
  } = piece;
  const printed = faces.map(({ plates }) => plates.length > 0);
  const sides = printed.filter(Boolean).length > 1 ? 'TwoSided' : 'OneSided';
  const surfaces = ['Front', 'Back'];
  const finishing = [
    ...steps.map(({ says, plate, sides: on }) => `${says}, on ${on.join(' and ')}: the plate ${plate}`),
    ...order.finishing,
    ...(fold ? [fold.says] : []),
    ...(spread === undefined ? [] : [`Trapped: lighter inks are spread by ${spread} mm. Do not trap again`]),
    ...(order.notes ? [order.notes] : []),
    ...openErrors.map((says) => `Exported with an open error. ${says}`),
  ];
  return tag(
    'Product',
    {
      ID: `product-${id}`,
      Amount: order.quantity,
      IsRoot: 'true',
      ProductType: PRODUCT_TYPES[kind],
      DescriptiveName: name,
    },
    [
      ...finishing.map((text) => `<Comment Type="Instruction">${escapeXml(text)}</Comment>`),
      intent('LayoutIntent', {
        Bleed: points(bleed),
        Dimensions: `${points(width)} ${points(height)}`,
        FinishedDimensions: `${points(finished.width)} ${points(finished.height)} 0`,
        Pages: faces.length,
        Sides: sides,
      }),
      intent('MediaIntent', { MediaType: 'Paper', MediaTypeDetails: order.stock, Weight: order.weight }),
      intent(
        'ColorIntent',
        {},
        faces.slice(0, surfaces.length).map(({ plates }, i) =>
          tag('SurfaceColor', {
            Surface: surfaces[i],
            ColorsUsed: plates.map((plate) => tokens.get(plate)).join(' '),
          }),
        ),
      ),
      ...(fold
        ? [
            intent(
              'FoldingIntent',
              { DescriptiveName: fold.name },
              fold.folds.map(({ from, at }) =>
                from === 'left'
                  ? tag('Fold', { From: 'Left', Travel: points(at) })
                  : tag('Fold', { From: 'Front', Travel: points(height - at) }),
              ),
            ),
          ]
        : []),
    ],
  );
}

/** The same as XJDF 2.1: a product a piece, its files as a run list. Lengths in points, as the standard has them. */
export function ticketXjdf(ticket: Ticket): string {
  const runs = ticket.pieces.flatMap(({ id, files }) =>
    files.map((file) =>
      tag('Resource', { DescriptiveName: file }, [
        tag('Part', { Product: `product-${id}` }),
        tag('RunList', {}, [tag('FileSpec', { URL: encodeURIComponent(file), MimeType: 'application/pdf' })]),
      ]),
    ),
  );
  const tokens = tokensOf(ticket.pieces.flatMap(({ faces }) => faces.flatMap(({ plates }) => plates)));
  // What an ink is really called, where a list of names cannot say it.
  const colours = [...tokens].map(([name, token]) =>
    tag('Resource', {}, [tag('Part', { Separation: token }), tag('Color', { ActualColorName: name })]),
  );
  const body = [
    tag('AuditPool', {}, [
      tag('AuditCreated', {}, [
        tag('Header', { AgentName: 'Tidy Edge', DeviceID: 'tidy-edge', ID: 'audit-1', Time: ticket.date }),
      ]),
    ]),
    tag(
      'ProductList',
      {},
      ticket.pieces.map((piece) => product(piece, tokens)),
    ),
    ...(colours.length > 0 ? [tag('ResourceSet', { Name: 'Color' }, colours)] : []),
    ...(runs.length > 0 ? [tag('ResourceSet', { Name: 'RunList', Usage: 'Input' }, runs)] : []),
  ];
  const root = tag(
    'XJDF',
    {
      xmlns: 'http://www.CIP4.org/JDFSchema_2_0',
      Version: '2.1',
      JobID: ticket.job,
      DescriptiveName: ticket.client,
      Types: 'Product',
    },
    body,
  );
  return `<?xml version="1.0" encoding="UTF-8"?>\n${root}\n`;
}
