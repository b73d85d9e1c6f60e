import type { Envelope } from '../trade/data-schema';
import type { Job } from './schema';

/** The envelopes among the pieces of a job, as rows of the table of envelopes are. */
export const envelopesOf = ({ pieces }: Pick<Job, 'pieces'>): Envelope[] =>
  pieces.flatMap(({ kind, name, width, height, envelope }): Envelope[] => {
    if (kind !== 'envelope' || !envelope) return [];
    const { window, flap, seams } = envelope;
    return [
      {
        name,
        width,
        height,
        flap,
        seams,
        ...(window
          ? {
              window: {
                name: 'Window',
                left: window.x,
                bottom: height - window.y - window.height,
                width: window.width,
                height: window.height,
              },
            }
          : {}),
        source: { kind: 'common practice' },
      },
    ];
  });
