import type { PDFContext, PDFRef } from '@cantoo/pdf-lib';
import { processStandIn } from '../../colour/ink';
import type { PdfUses } from '../../devices/pdf/uses';
import type { Job } from '../../job/schema';
import { embedPatch, embedTone } from './images';
import { plateName } from './plate-name';
import { ownPlatesOf, shadePattern, spaceOf } from './shades';
import { flate } from './streams';

/** A spot ink, or All, as a Separation whose tint runs from paper to the ink's stand-in (ISO 32000-1, 8.6.6.4). */
export function separation(context: PDFContext, plate: string, job: Job): PDFRef {
  const full = processStandIn({ [plate]: 1 }, job.inks);
  const tint = context.register(context.obj({ FunctionType: 2, Domain: [0, 1], C0: [0, 0, 0, 0], C1: full, N: 1 }));
  return context.register(context.obj(['Separation', plateName(plate), 'DeviceCMYK', tint] as never) as never);
}

const CATEGORIES = ['Font', 'XObject', 'ColorSpace', 'Pattern', 'ExtGState', 'Properties'] as const;
type Category = (typeof CATEGORIES)[number];

/** All that the contents of a document can name. */
export type Named = ReadonlyMap<string, { category: Category; ref: PDFRef }>;

/** The resources of one content: just what it names. */
export function resourcesOf(context: PDFContext, names: ReadonlySet<string>, named: Named): PDFRef {
  const of = (category: Category) =>
    Object.fromEntries(
      [...names].flatMap((name) => {
        const found = named.get(name);
        return found?.category === category ? [[name, found.ref] as const] : [];
      }),
    );
  return context.register(
    context.obj({
      ProcSet: ['PDF', 'Text', 'ImageC'],
      ...Object.fromEntries(CATEGORIES.map((category) => [category, of(category)])),
    } as never),
  );
}

/** Makes PDF objects of what the pages use, besides their fonts and pictures, which are given; what was named before may be named again. */
export function nameUses(
  context: PDFContext,
  uses: PdfUses,
  given: { fonts: Map<string, PDFRef>; images: Map<string, PDFRef>; plateRef(plate: string): PDFRef },
  job: Pick<Job, 'inks'>,
  before: Named = new Map(),
): Named {
  const named = new Map(before);
  const put = (key: string, category: Category, ref: PDFRef | undefined): void => {
    if (ref) named.set(key, { category, ref });
  };
  const { plateRef } = given;
  for (const use of uses.fonts.values()) put(use.key, 'Font', given.fonts.get(use.typeface));
  for (const [name, { key }] of uses.images) put(key, 'XObject', given.images.get(name));
  for (const [plate, key] of uses.plates) put(key, 'ColorSpace', plateRef(plate));
  for (const { key, plates } of uses.mixtures.values())
    put(key, 'ColorSpace', spaceOf(context, Object.keys(plates), job.inks, plateRef).space as PDFRef);
  for (const { key, patch } of uses.patches) put(key, 'XObject', embedPatch(context, patch, job.inks, plateRef));
  for (const { key, shade, overprints } of uses.shades.values())
    put(key, 'Pattern', shadePattern(context, shade, overprints ? ownPlatesOf : spaceOf, job.inks, plateRef));
  for (const [tone, colours] of uses.tones)
    for (const { key, colour, overprints } of colours)
      put(key, 'XObject', embedTone(context, tone, colour, overprints ? ownPlatesOf : spaceOf, job.inks, plateRef));
  // A form comes after all that it draws; so does the state that masks with it.
  const states = [...uses.states.values()];
  const putState = ({ key, state }: (typeof states)[number]): void => {
    if (named.has(key)) return;
    const entries =
      'opacity' in state
        ? { ca: state.opacity, CA: state.opacity }
        : 'overprint' in state
          ? // Zero process amounts leave their plates alone (ISO 32000-1, 8.6.7).
            { OP: state.overprint, op: state.overprint, OPM: 1 }
          : { SMask: { Type: 'Mask', S: 'Luminosity', G: named.get(state.mask)!.ref } };
    put(key, 'ExtGState', context.register(context.obj({ Type: 'ExtGState', ...entries } as never)));
  };
  for (const form of uses.forms) {
    for (const each of states) if (form.names.has(each.key)) putState(each);
    const entries = {
      Type: 'XObject',
      Subtype: 'Form',
      BBox: [0, 0, form.size.width, form.size.height],
      ...(form.shared
        ? {}
        : { Group: { Type: 'Group', S: 'Transparency', I: true, ...(form.isMask ? { CS: 'DeviceGray' } : {}) } }),
      Resources: resourcesOf(context, form.names, named),
    };
    put(form.key, 'XObject', context.register(flate(context, new TextEncoder().encode(form.content), entries)));
  }
  for (const each of states) putState(each);
  return named;
}
