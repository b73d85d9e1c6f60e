import { PDFHexString, PDFName } from '@cantoo/pdf-lib';
import { type Finish, factsOf, finishPlate } from '../../job/finishing';
import type { OpenDocument } from './document';

/** Layers of finishing: optional content groups (ISO 32000-1, 8.11) marked as processing steps (ISO 19593-1:2018). */

/** The layer of a finish, which all pages share. */
function layerOf({ context, layers }: OpenDocument, finish: Finish): string {
  const plate = finishPlate(finish);
  const found = layers.get(plate);
  if (found) return found.key;
  const { group, type } = factsOf(finish);
  const ref = context.register(
    context.obj({
      Type: 'OCG',
      Name: PDFHexString.fromText(plate),
      GTS_Metadata: {
        GTS_ProcStepsGroup: PDFName.of(group),
        ...(type ? { GTS_ProcStepsType: PDFName.of(type) } : {}),
      },
    } as never),
  );
  const key = `L${layers.size + 1}`;
  layers.set(plate, { key, ref });
  return key;
}

/** What a finish draws, within its layer where the file has layers, and the names it uses. */
export function inLayer(
  document: OpenDocument,
  finish: Finish,
  drawn: { content: string; names: ReadonlySet<string> },
): { content: string; names: Set<string> } {
  if (!document.seeThrough) return { content: drawn.content, names: new Set(drawn.names) };
  const key = layerOf(document, finish);
  return { content: `/OC /${key} BDC\n${drawn.content}EMC\n`, names: new Set([...drawn.names, key]) };
}
