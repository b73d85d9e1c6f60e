import { Name } from './syntax';
import { arrayOf, dictOf, nameOf, type PdfView, textOf } from './view';

/** Layers of a file, optional content groups (ISO 32000-1, 8.11), and what ISO 19593-1 says that they are. */

export interface LayerSeen {
  name: string;
  /** The group and the type of the processing step that it is, where it is one. */
  group?: string | undefined;
  type?: string | undefined;
  /** Whether a reader shows it when the file is opened. */
  isShown: boolean;
  /** Pages with something on it, 1 first. */
  pages: number[];
  /** Spaces of the colours that are set on it, and whether anything is painted there without overprinting. */
  spaces: string[];
  /** The spots that those are. */
  plates: string[];
  knocksOut: boolean;
}

/** Operators that paint (ISO 32000-1, tables 60, 74, 77, 87 and 109). */
const PAINTS = new Set(['f', 'F', 'f*', 'S', 's', 'B', 'B*', 'b', 'b*', 'sh', 'Do', 'Tj', 'TJ', "'", '"']);
/** Operators that set a colour of a device's family. */
const DEVICE: Readonly<Record<string, string>> = {
  g: 'DeviceGray',
  G: 'DeviceGray',
  rg: 'DeviceRGB',
  RG: 'DeviceRGB',
  k: 'DeviceCMYK',
  K: 'DeviceCMYK',
};

/** Hears what is done within the layers of a page's own content; what a form does is not looked into. */
function readPage(view: PdfView, number: number, hear: (layer: unknown, seen: Partial<LayerSeen>) => void): void {
  const { file } = view;
  const content = view.contents[number - 1];
  if (!content) return;
  const { resources, operations } = content;
  const named = (category: string, name: unknown) =>
    name instanceof Name ? dictOf(file, resources.get(category))?.get(name.name) : undefined;
  const open: unknown[] = [];
  let overprints = { fill: false, stroke: false };
  const saved: (typeof overprints)[] = [];
  for (const { word, given } of operations) {
    const layer = open.findLast((each) => each !== undefined);
    if (word === 'q') saved.push(overprints);
    else if (word === 'Q') overprints = saved.pop() ?? overprints;
    else if (word === 'BMC') open.push(undefined);
    else if (word === 'BDC') {
      const [tag, properties] = given;
      const group =
        tag instanceof Name && tag.name === 'OC' ? dictOf(file, named('Properties', properties)) : undefined;
      open.push(group);
      if (group) hear(group, { pages: [number] });
    } else if (word === 'EMC') open.pop();
    else if (word === 'gs') {
      const state = dictOf(file, named('ExtGState', given[0]));
      const stroke = file.get(state?.get('OP'));
      const fill = file.get(state?.get('op')) ?? stroke;
      overprints = {
        stroke: typeof stroke === 'boolean' ? stroke : overprints.stroke,
        fill: typeof fill === 'boolean' ? fill : overprints.fill,
      };
    } else if (layer === undefined) continue;
    else if (word in DEVICE) hear(layer, { spaces: [DEVICE[word]!] });
    else if (word === 'cs' || word === 'CS') {
      const space = file.get(named('ColorSpace', given[0]));
      const family = Array.isArray(space) ? nameOf(file, space[0]) : given[0] instanceof Name ? given[0].name : '';
      const spot = family === 'Separation' && Array.isArray(space) ? nameOf(file, space[1]) : undefined;
      hear(layer, { spaces: [family ?? ''], plates: spot === undefined ? [] : [spot] });
    } else if (PAINTS.has(word)) {
      const isStroke = word === 'S' || word === 's';
      if (!(isStroke ? overprints.stroke : overprints.fill)) hear(layer, { knocksOut: true });
    }
  }
}

/** The layers of a file, in the order that it lists them. */
export function layersIn(view: PdfView): LayerSeen[] {
  const { file, catalog, pages } = view;
  const properties = dictOf(file, catalog.get('OCProperties'));
  if (!properties) return [];
  const usual = dictOf(file, properties.get('D'));
  const off = new Set(arrayOf(file, usual?.get('OFF')).map((each) => dictOf(file, each)));
  const allOff = nameOf(file, usual?.get('BaseState')) === 'OFF';
  const on = new Set(arrayOf(file, usual?.get('ON')).map((each) => dictOf(file, each)));
  const seen = new Map<unknown, LayerSeen>();
  for (const each of arrayOf(file, properties.get('OCGs'))) {
    const group = dictOf(file, each);
    if (!group) continue;
    const step = dictOf(file, group.get('GTS_Metadata'));
    seen.set(group, {
      name: textOf(file, group.get('Name')) ?? '',
      group: nameOf(file, step?.get('GTS_ProcStepsGroup')),
      type: nameOf(file, step?.get('GTS_ProcStepsType')),
      isShown: allOff ? on.has(group) : !off.has(group),
      pages: [],
      spaces: [],
      plates: [],
      knocksOut: false,
    });
  }
  for (let n = 1; n <= pages.length; n++)
    readPage(view, n, (layer, heard) => {
      const found = seen.get(layer);
      if (!found) return;
      found.pages = [...new Set([...found.pages, ...(heard.pages ?? [])])];
      found.spaces = [...new Set([...found.spaces, ...(heard.spaces ?? [])])];
      found.plates = [...new Set([...found.plates, ...(heard.plates ?? [])])];
      if (heard.knocksOut) found.knocksOut = true;
    });
  return [...seen.values()];
}
