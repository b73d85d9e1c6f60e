import { useBench } from '../../bench/bench';
import { PieceRoom } from '../../bench/PieceRoom';
import { Palette } from '../../bench/palette/Palette';
import { Plates } from './Plates';
import { PlatesFace } from './PlatesFace';
import { usePlates } from './use-plates';

/** Where a piece is looked at as plates, and the job's inks are made. */
export default function InksRoom() {
  return (
    <PieceRoom here="inks" columns="grid-cols-[300px_minmax(0,1fr)_300px]" waiting="Laying the inks on their plates…">
      <OnPlates />
    </PieceRoom>
  );
}

function OnPlates() {
  const plates = usePlates(useBench());
  return (
    <>
      <Palette />
      <PlatesFace plates={plates} />
      <Plates plates={plates} />
    </>
  );
}
