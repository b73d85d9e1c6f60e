import { type PDFContext, PDFHexString, PDFName, type PDFRef, PDFString } from '@cantoo/pdf-lib';
import type { Press } from '../../colour/engine';
import { isRegistered, REGISTRY } from '../../trade/registered-conditions';
import { ExportError } from './asked';
import { type FileFacts, PRODUCER, pdfDate, trappedSays, xmpPacket } from './metadata';
import { STANDARD_FACTS, type Standard } from './standards';
import { flate, plain } from './streams';

/** The newest version of an ICC profile that readers of PDF 1.3 and 1.4 know. */
const PROFILE_OF_X1A = 2;

/** What the root of a file says of its layers: all are shown, and nothing changes them by itself. */
export const layersEntry = (refs: readonly PDFRef[]): Record<string, unknown> =>
  refs.length === 0
    ? {}
    : {
        OCProperties: {
          OCGs: refs,
          D: { Name: PDFHexString.fromText('All'), BaseState: 'ON', Order: refs },
        },
      };

/** The root of a file: its pages, its output intent, and what it says of itself. Throws ExportError for a profile too new. */
export function catalog(
  context: PDFContext,
  pages: PDFRef,
  press: Press,
  profileName: string,
  facts: FileFacts,
  standard: Standard,
  more: Readonly<Record<string, unknown>> = {},
): PDFRef {
  const { seeThrough, xmp } = STANDARD_FACTS[standard];
  const major = press.profile[8] ?? 0;
  if (!seeThrough && major > PROFILE_OF_X1A)
    throw new ExportError(
      `The press profile “${profileName}” is of version ${major}, which ${standard} does not take. Choose a profile of version 2, or PDF/X-4.`,
    );
  const profile = context.register(flate(context, press.profile, { N: 4, Alternate: 'DeviceCMYK' }));
  const intent = context.register(
    context.obj({
      Type: 'OutputIntent',
      S: 'GTS_PDFX',
      OutputConditionIdentifier: PDFString.of(press.condition.identifier),
      ...(isRegistered(press.condition) ? { RegistryName: PDFString.of(REGISTRY) } : {}),
      OutputCondition: PDFHexString.fromText(press.condition.name),
      Info: PDFHexString.fromText(profileName),
      DestOutputProfile: profile,
    }),
  );
  // XMP stays unpacked so that simple readers find it.
  const metadata = xmp
    ? {
        Metadata: context.register(
          plain(context, new TextEncoder().encode(xmpPacket(facts)), { Type: 'Metadata', Subtype: 'XML' }),
        ),
      }
    : {};
  return context.register(
    context.obj({ Type: 'Catalog', Pages: pages, OutputIntents: [intent], ...metadata, ...more } as never),
  );
}

/** The Info dictionary of a file. */
export function infoOf(context: PDFContext, facts: FileFacts, standard: Standard): PDFRef {
  const info = context.obj({
    Title: PDFHexString.fromText(facts.title),
    Creator: PDFString.of(PRODUCER),
    Producer: PDFString.of(PRODUCER),
    CreationDate: PDFString.of(pdfDate(facts.date)),
    ModDate: PDFString.of(pdfDate(facts.date)),
    Trapped: PDFName.of(trappedSays(facts.trapped ?? false)),
    ...Object.fromEntries(
      Object.entries(STANDARD_FACTS[standard].info).map(([key, says]) => [key, PDFString.of(says)]),
    ),
  });
  return context.register(info);
}
