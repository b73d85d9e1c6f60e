import { type Matrix, multiply } from '../../../geometry/matrix';
import { contentsOf, filtersOf, operationsOf } from './file';
import { type Dict, Name, Stream } from './syntax';
import { arrayOf, dictOf, nameOf, type PdfView } from './view';

/** A picture as it is drawn on a page. */
export interface PictureDrawn {
  width: number;
  height: number;
  /** Pixels for each inch across. */
  ppi: number;
  /** The family of its colour space, or the plates that it names. */
  space: string;
  packed: string;
  /** How long it is in the file. */
  bytes: number;
  /** Whether only some of its cells are there: what flattening leaves. */
  patch: boolean;
  soft: boolean;
}

const MOST_DEEP = 12;

function spaceSaid({ file }: PdfView, dict: Dict): string {
  const space = file.get(dict.get('ColorSpace'));
  if (space instanceof Name) return space.name;
  const list = arrayOf(file, space);
  const family = nameOf(file, list[0]) ?? 'none';
  if (family === 'Separation') return nameOf(file, list[1]) ?? family;
  return family === 'DeviceN'
    ? arrayOf(file, list[1])
        .map((each) => nameOf(file, each))
        .join(', ')
    : family;
}

function seen(view: PdfView, stream: Stream, matrix: Matrix): PictureDrawn {
  const number = (key: string): number => Number(view.file.get(stream.dict.get(key)) ?? 0);
  return {
    width: number('Width'),
    height: number('Height'),
    ppi: (number('Width') / Math.hypot(matrix[0], matrix[1])) * 72,
    space: spaceSaid(view, stream.dict),
    packed: filtersOf(stream, view.file).join(', '),
    bytes: stream.raw.length,
    patch: stream.dict.has('Mask'),
    soft: stream.dict.has('SMask'),
  };
}

/** Follows the drawing of a page, forms included, and measures each picture at the size it is drawn. */
export function picturesOn(view: PdfView, pageNumber: number): PictureDrawn[] {
  const { file } = view;
  const pictures: PictureDrawn[] = [];
  const follow = (content: ReturnType<typeof operationsOf>, resources: Dict, from: Matrix, deep: number): void => {
    const xobjects = dictOf(file, resources.get('XObject'));
    const saved: Matrix[] = [];
    let now = from;
    for (const { word, given } of content) {
      if (word === 'q') saved.push(now);
      else if (word === 'Q') now = saved.pop() ?? now;
      else if (word === 'cm') now = multiply(now, given as unknown as Matrix);
      else if (word === 'Do' && given[0] instanceof Name) {
        const drawn = file.get(xobjects?.get(given[0].name));
        if (!(drawn instanceof Stream)) continue;
        if (nameOf(file, drawn.dict.get('Subtype')) === 'Image') pictures.push(seen(view, drawn, now));
        else if (deep < MOST_DEEP) {
          const own = arrayOf(file, drawn.dict.get('Matrix'));
          const within = own.length === 6 ? multiply(now, own as unknown as Matrix) : now;
          const below = dictOf(file, drawn.dict.get('Resources')) ?? resources;
          follow(operationsOf(contentsOf(drawn, file)), below, within, deep + 1);
        }
      }
    }
  };
  const page = view.contents[pageNumber - 1];
  if (page) follow([...page.operations], page.resources, [1, 0, 0, 1, 0, 0], 0);
  return pictures;
}

/** The spot inks that a file names anywhere, without the one that means all plates. */
export function spotsIn(view: PdfView): string[] {
  const { file } = view;
  const names = view.dicts
    .flatMap((dict) => [...dict.values()])
    .flatMap((value) => {
      const list = arrayOf(file, value);
      const family = nameOf(file, list[0]);
      if (family === 'Separation') return [nameOf(file, list[1])];
      return family === 'DeviceN' ? arrayOf(file, list[1]).map((each) => nameOf(file, each)) : [];
    });
  const process = new Set(['Cyan', 'Magenta', 'Yellow', 'Black', 'All', 'None']);
  return [...new Set(names)].flatMap((name) => (name && !process.has(name) ? [name] : [])).sort();
}
