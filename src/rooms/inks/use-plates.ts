import { useEffect, useMemo, useState } from 'react';
import type { PlateView } from '../../../core/devices/plates/view';
import type { FacePlates } from '../../../workers/ink-work';
import type { Bench } from '../../bench/bench';
import { plateRoom } from '../../bench/kit';
import { newestOnly } from '../../bench/use-inks';

/** How the face is looked at. */
export interface Looking {
  kind: PlateView['kind'];
  /** Plates that are left out of what is shown together. */
  hidden: readonly string[];
  /** The plate that is shown alone. */
  plate: string | undefined;
  /** Whether white is the paper's own tint. */
  paper: boolean;
}

export interface PlatesShown {
  read: FacePlates | undefined;
  image: ImageData | undefined;
  looking: Looking;
  look(to: Partial<Looking>): void;
  /** The cell under the pointer, by its index on the grid. */
  cell: number | undefined;
  point(cell: number | undefined): void;
}

function viewOf({ kind, hidden, plate }: Looking, { plates, limit }: FacePlates): PlateView {
  if (kind === 'total') return { kind, limit };
  const alone = plate ?? plates.keys().next().value;
  if (kind === 'plate' && alone !== undefined && plates.has(alone)) return { kind, plate: alone };
  return { kind: 'proof', shown: [...plates.keys()].filter((name) => !hidden.includes(name)) };
}

/** The plates of the face on the table, and the picture of them that is asked for. */
export function usePlates({ job, piece, face }: Bench): PlatesShown {
  const [read, setRead] = useState<FacePlates>();
  const [image, setImage] = useState<ImageData>();
  const [cell, point] = useState<number>();
  const [looking, setLooking] = useState<Looking>({ kind: 'proof', hidden: [], plate: undefined, paper: false });
  const [askPlates] = useState(() => newestOnly(plateRoom().facePlates, setRead));
  const [askLook] = useState(() => newestOnly(plateRoom().lookAt, setImage));
  const pieceId = piece.id;
  const faceId = face.id;
  useEffect(() => askPlates({ job, pieceId, faceId }), [job, pieceId, faceId, askPlates]);
  useEffect(() => {
    if (read) askLook({ job, pieceId, faceId, view: viewOf(looking, read), paper: looking.paper });
  }, [read, job, pieceId, faceId, looking, askLook]);
  return useMemo(
    () => ({ read, image, looking, look: (to) => setLooking((was) => ({ ...was, ...to })), cell, point }),
    [read, image, looking, cell],
  );
}
