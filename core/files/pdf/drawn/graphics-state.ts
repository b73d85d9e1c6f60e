import { isBlend } from '../../../colour/blend';
import { type Dict, Stream, type Value } from '../parsed/syntax';
import { arrayOf, dictOf, nameOf, type PdfView } from '../parsed/view';
import { type FontRead, fontOf } from './fonts';
import { maskOf } from './masks';
import type { Drawing, Running } from './state';

/** A font of the file, read once. */
export function fontAt({ view, fonts }: Drawing, value: Value | undefined): FontRead | undefined {
  const dict = dictOf(view.file, value);
  if (!dict) return undefined;
  const found = fonts.get(dict) ?? fontOf(view, dict);
  fonts.set(dict, found);
  return found;
}

/** The blend of a state; of several the first. */
function blendOf({ file }: PdfView, dict: Dict): string | undefined {
  const given = file.get(dict.get('BM'));
  return nameOf(file, Array.isArray(given) ? given[0] : given);
}

const PLAIN = ['Normal', 'Compatible'];

/** Sets what a graphics state dictionary sets (ISO 32000-1, table 58). */
export function setState(running: Running, dict: Dict): void {
  const { drawing, state } = running;
  const { view, hear } = drawing;
  const { file } = view;
  const at = <T>(key: string, is: (value: unknown) => value is T, usual: T): T => {
    const found = file.get(dict.get(key));
    return is(found) ? found : usual;
  };
  const isNumber = (value: unknown): value is number => typeof value === 'number';
  const isFlag = (value: unknown): value is boolean => typeof value === 'boolean';
  state.opacity = {
    fill: at('ca', isNumber, state.opacity.fill),
    stroke: at('CA', isNumber, state.opacity.stroke),
  };
  const both = at('OP', isFlag, state.overprint.stroke);
  state.overprint = { fill: at('op', isFlag, dict.has('OP') ? both : state.overprint.fill), stroke: both };
  state.weight = at('LW', isNumber, state.weight);
  if (state.opacity.fill < 1 || state.opacity.stroke < 1) hear.soft?.('opacity');
  const blend = blendOf(view, dict);
  if (blend) {
    const known = isBlend(blend) && drawing.device.blending ? blend : undefined;
    state.blend = known;
    if (!PLAIN.includes(blend)) {
      hear.soft?.(`blend ${blend}`);
      if (!known) hear.unread?.(`a blend (${blend})`);
    }
  }
  if (dict.has('SMask')) {
    const isNone = nameOf(file, dict.get('SMask')) === 'None';
    state.mask = isNone ? undefined : maskOf(running, dict.get('SMask'));
    if (!isNone) hear.soft?.('soft mask');
  }
  const [font, size] = arrayOf(file, dict.get('Font'));
  if (font === undefined) return;
  state.font = fontAt(drawing, font);
  state.size = Number(file.get(size) ?? state.size);
}

/** Whether anything in a content with these resources may blend, in the forms and patterns in it too. */
export function hasBlends(view: PdfView, resources: Dict, seen = new Set<Dict>()): boolean {
  if (seen.has(resources)) return false;
  seen.add(resources);
  const { file } = view;
  const named = (category: string): Value[] => [...(dictOf(file, resources.get(category))?.values() ?? [])];
  const blends = (value: Value): boolean => {
    const dict = dictOf(file, value);
    const blend = dict && blendOf(view, dict);
    return blend !== undefined && !PLAIN.includes(blend);
  };
  const within = (value: Value): boolean => {
    const form = file.get(value);
    const own = form instanceof Stream ? dictOf(file, form.dict.get('Resources')) : undefined;
    return own !== undefined && hasBlends(view, own, seen);
  };
  return named('ExtGState').some(blends) || [...named('XObject'), ...named('Pattern')].some(within);
}
