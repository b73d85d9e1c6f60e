import * as z from 'zod';
import { type Envelope, envelopeSchema } from './data-schema';
import rows from './envelopes.json' with { type: 'json' };

/** Ready-made envelopes in the order they are offered. */
export const ENVELOPES: readonly Envelope[] = z.array(envelopeSchema).parse(rows);

/** The envelope of that size, in points, either way up; a tenth of a millimetre is no other size. */
export const envelopeOf = (width: number, height: number): Envelope | undefined =>
  ENVELOPES.find(
    (each) =>
      (Math.abs(each.width - width) < 0.3 && Math.abs(each.height - height) < 0.3) ||
      (Math.abs(each.width - height) < 0.3 && Math.abs(each.height - width) < 0.3),
  );
