import { useLiveQuery } from 'dexie-react-hooks';
import { useDeferredValue, useEffect, useMemo } from 'react';
import type { Unread } from '../../core/checks/unread';
import { pieceOf } from '../../core/job/find';
import { pressConditionOf } from '../../core/job/press-of';
import { shopIn } from '../../core/job/shops-of';
import { asFace } from '../../core/job/turned';
import { shownFaces } from '../../core/scene/shown-faces';
import { CONDITIONS } from '../../core/trade/conditions';
import { echoUnit } from '../../core/units/length';
import { useJob, useSession } from '../store/session';
import { db } from '../store/shelf';
import { type Bench, type Found, NOTHING_FOUND, type Printed } from './bench';
import { lostProfiles } from './kit';
import { useChecking } from './use-checking';
import { useFonts } from './use-fonts';
import { useInks } from './use-inks';
import { useKit } from './use-kit';
import { useMixtures } from './use-mixtures';
import { useNowAndThen } from './use-now-and-then';
import { useOffers } from './use-offers';
import { usePainted } from './use-painted';
import { usePreviews } from './use-previews';
import { useProfiles } from './use-profiles';
import { useSpelling } from './use-spelling';

/** Whether a gesture goes on, and whether it is one of the hand: a drag or a pull, not typing. */
export function useGesture(): { live: boolean; byHand: boolean } {
  const kind = useSession((session) => session.live?.kind);
  return { live: kind !== undefined, byHand: kind === 'hand' };
}

/** What the rooms of a piece have, each by its own rate of change; `bench` is undefined until all it needs is here. */
export interface BenchOf {
  bench: Bench | undefined;
  printed: Printed;
  found: Found;
  failure: string | undefined;
}

/** The bench made from the job, the address and what is loaded; undefined until all of it is here. */
export function useBenchOf(
  pieceId: string,
  faceId: string | undefined,
  both: boolean,
  setFace: (id: string) => void,
  /** Whether the fonts and pictures of the job's other pieces are wanted as well. */
  isWide: boolean,
): BenchOf {
  const job = useJob();
  const { kit, failure } = useKit();
  const selectedIds = useSession((session) => session.selected);
  const piece = job && pieceOf(job, pieceId);
  const shop = piece && shopIn(job, piece.shop);
  const condition = useMemo(() => (job && shop ? pressConditionOf(job, shop) : undefined), [job, shop]);
  const profilesHere = useProfiles(job);
  // A profile that is gone is named over the room; until it is handed in again the work is shown for a press that ships.
  const shownFor = condition && lostProfiles().has(condition.id) ? CONDITIONS[0]! : condition;
  const press = kit && shownFor && profilesHere ? kit.press(shownFor) : undefined;
  const pieces = useMemo(() => (isWide ? (job?.pieces ?? []) : piece ? [piece] : []), [isWide, job?.pieces, piece]);
  const previews = usePreviews(job, shownFor, pieces);
  const inks = job?.inks;
  const assets = job?.assets;
  const styles = job?.styles;
  const ownFonts = job?.fonts;
  const finishing = piece?.finishing;
  const stock = piece?.order?.colour;
  const fontsHere = useFonts(job, pieces);
  const sources = useMemo(
    () =>
      kit &&
      inks &&
      assets &&
      styles &&
      ownFonts && { inks, assets, styles, ownFonts, fonts: kit.fonts, finishing, stock },
    [kit, inks, assets, styles, ownFonts, finishing, stock],
  );
  // The checks come after the stage: a key or a drag is drawn first, and checked when there is time.
  const { live, byHand } = useGesture();
  const checked = useDeferredValue(useNowAndThen(job, live, byHand));
  const filesHere = useLiveQuery(async () => new Set(await db.assets.toCollection().primaryKeys()), []);
  const spelt = useSpelling(checked && pieceOf(checked, pieceId), checked?.spelling);
  const onPress = useInks(checked, pieceId, live);
  const offers = useOffers();
  const isPainted = usePainted(fontsHere && press !== undefined && sources !== undefined);
  const { checking, failure: unchecked } = useChecking(isPainted);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once more families are here, more can be offered
  const found = useMemo((): Found => {
    const settled = checked && pieceOf(checked, pieceId);
    if (unchecked)
      return {
        ...NOTHING_FOUND,
        unread: [
          { what: 'plates', says: `The checks could not be loaded: ${unchecked}. Reload the page to try again.` },
        ],
      };
    if (!settled || !kit || !fontsHere || !press || !checking) return NOTHING_FOUND;
    // On the page's own record of timings, where the bench (and a browser's profiler) reads it.
    const start = performance.now();
    const { reading, failure } = onPress;
    const unlaid: Unread[] = reading
      ? []
      : [
          {
            what: 'plates',
            says: failure
              ? `The plates could not be read: ${failure} Reload the page to try again.`
              : 'The plates are still being read. Wait a moment.',
          },
        ];
    const seen = {
      filesHere,
      plates: reading?.findings ?? [],
      misspelt: spelt.misspelt,
      missed: [...unlaid, ...spelt.missed],
    };
    const { open, standing, unread } = checking.review(checked, settled, { ...seen, fonts: kit.fonts, press });
    performance.measure('checks', { start });
    return { findings: open, standing, unread, seen, onPress: reading };
  }, [checked, pieceId, kit, press, fontsHere, checking, unchecked, spelt, onPress, offers.here, filesHere]);
  const { findings } = found;
  useEffect(() => offers.wantedBy(findings), [findings, offers.wantedBy]);
  const faces = useMemo(
    () => (piece && sources && fontsHere ? shownFaces(piece, sources) : []),
    [piece, sources, fontsHere],
  );
  const mixtures = useMixtures(job, pieceId, faces, sources, live);
  const face = faces.find((f) => f.id === faceId) ?? faces[0];
  const shown = useMemo(() => (face ? (both ? faces : [face]) : []), [faces, face, both]);
  const bench = useMemo((): Bench | undefined => {
    if (!job || !piece || !face || !shop || !kit || !sources || !fontsHere || !press) return undefined;
    const wanted = new Set(selectedIds);
    const chosen = faces.flatMap((f) => f.elements.filter((element) => wanted.has(element.id)));
    const here = new Map(chosen.map((element) => [element.id, element]));
    const selection = selectedIds.flatMap((id) => here.get(id) ?? []);
    return {
      job,
      piece: asFace(piece, face),
      sheet: piece,
      face,
      shown,
      selection,
      selected: selection.length === 1 ? selection[0] : undefined,
      shop,
      press,
      sources,
      unit: piece.unit,
      echo: echoUnit(piece.unit),
      setFace,
    };
  }, [job, piece, face, faces, shown, selectedIds, shop, kit, sources, fontsHere, press, setFace]);
  const printed = useMemo(() => ({ previews, mixtures }), [previews, mixtures]);
  return { bench, printed, found, failure };
}
