import { lazy, Suspense, useState } from 'react';
import type { Finding } from '../../core/checks/check';
import { pieceFacts } from '../../core/checks/piece-facts';
import type { Unread } from '../../core/checks/unread';
import { shortPlate } from '../../core/colour/ink';
import { setShop } from '../../core/job/edits/job';
import { shopsOf } from '../../core/job/shops-of';
import { formatLength, formatSize } from '../../core/units/length';
import { act } from '../store/session';
import { useBench, useFound } from './bench';
import { openPanel, useRoom } from './room';

// They come when they are asked for: most of them have the checks with them.
const CutDialog = lazy(async () => ({ default: (await import('./cut/CutDialog')).CutDialog }));
const ChecksPanel = lazy(async () => ({ default: (await import('./findings/ChecksPanel')).ChecksPanel }));
const FindingList = lazy(async () => ({ default: (await import('./findings/FindingList')).FindingList }));
const ShopsPanel = lazy(async () => ({ default: (await import('./shops/ShopsPanel')).ShopsPanel }));

interface Chip {
  label: string;
  value: string;
  /** The check whose findings belong to this chip, and what it says before its value when there are some; or their count after it. */
  check?: { id: string; before?(count: number): string; counts?: boolean };
}

/** No shop's id: what opens the list of all of them. */
const ALL_SHOPS = '*';

const closePanel = (): void => openPanel(undefined);

const inWords = (count: number): string => (count === 1 ? '1 finding' : `${count} findings`);

/** How many findings there are; nothing found is only said once all has been looked at. */
function standsAt(count: number, unread: readonly Unread[]): string {
  if (count > 0) return inWords(count);
  if (unread.length === 0) return 'No findings';
  return unread.every(({ what }) => what === 'plates' || what === 'spelling') ? 'Checking…' : 'Not all checked';
}

/** A count beside a figure, said in full to who hears it. */
const Count = ({ of }: { of: number }) => (
  <>
    <span className="sr-only">: {inWords(of)}</span>
    <span aria-hidden className="ml-1 rounded-full bg-warning-content px-1.5 text-[12px] text-warning">
      {of}
    </span>
  </>
);

/** The trade's figures for the piece, always in sight: calm when right, lit when a check has found something. */
export function StatusBar() {
  const { job, piece, shop, unit } = useBench();
  const { findings, standing, unread, onPress } = useFound();
  const [open, setOpen] = useState<string>();
  const { open: panel } = useRoom();
  const facts = pieceFacts(job, piece);
  const of = (check: string | undefined): Finding[] => findings.filter((f) => f.check === check);
  const chips: Chip[] = [
    { label: 'trim', value: formatSize(piece.width, piece.height, unit, 2) },
    {
      label: 'bleed',
      value: shop.bleed[piece.kind] > 0 ? formatLength(shop.bleed[piece.kind], unit) : 'none',
      check: { id: 'short-of-bleed', counts: true },
    },
    {
      label: 'safe',
      value: formatLength(shop.safe[piece.kind], unit),
      check: { id: 'outside-safe', counts: true },
    },
    {
      label: 'lowest ppi',
      value: facts.lowestPpi === undefined ? 'no picture' : `${Math.round(facts.lowestPpi)}`,
      check: { id: 'low-ppi' },
    },
    {
      label: 'total ink',
      value: onPress ? `${Math.round(onPress.highest * 100)} %` : '…',
      check: { id: 'total-ink' },
    },
    {
      label: 'plates',
      value: facts.plates.map(shortPlate).join(' ') || 'none',
      check: { id: 'stray-plates', before: (n) => `${n} extra of ` },
    },
    {
      label: 'smallest type',
      value: facts.smallestType === undefined ? 'no text' : formatLength(facts.smallestType, 'pt', 2),
      check: { id: 'small-type' },
    },
    ...(of('hidden-words').length > 0
      ? [
          {
            label: 'text',
            value: 'hidden',
            check: { id: 'hidden-words', before: (n: number) => `${n === 1 ? 'some' : 'in several boxes'} ` },
          },
        ]
      : []),
  ];
  const shown = open === 'all' ? [...findings] : of(open);
  const toggle = (what: string): void => setOpen(open === what ? undefined : what);

  return (
    <section
      className="relative col-span-3 flex min-h-[46px] min-w-0 flex-wrap items-center gap-1.5 bg-neutral px-2.5 py-1 text-neutral-content"
      aria-label="Status bar"
    >
      {(shown.length > 0 || (open === 'all' && standing.length + unread.length > 0)) && (
        <Suspense>
          <FindingList findings={shown} all={open === 'all'} onClose={() => setOpen(undefined)} />
        </Suspense>
      )}
      {chips.map(({ label, value, check }) => {
        const found = of(check?.id);
        const text = (
          <>
            <span className={found.length > 0 ? '' : 'opacity-80'}>{label}</span>{' '}
            <b className="font-semibold">
              {found.length > 0 && check?.before?.(found.length)}
              {value}
              {found.length > 0 && check?.counts && <Count of={found.length} />}
            </b>
          </>
        );
        return found.length > 0 ? (
          <button
            key={label}
            type="button"
            aria-expanded={open === check?.id}
            className="cursor-pointer rounded-xs bg-warning px-1.5 py-1 whitespace-nowrap text-warning-content"
            onClick={() => check && toggle(check.id)}
          >
            {text}
          </button>
        ) : (
          <span key={label} className="rounded-xs bg-white/8 px-1.5 py-1 whitespace-nowrap">
            {text}
          </span>
        );
      })}
      <button
        type="button"
        disabled={findings.length + standing.length + unread.length === 0}
        aria-expanded={open === 'all'}
        className={`ml-auto rounded-xs px-2 py-1 font-semibold whitespace-nowrap ${findings.length > 0 ? 'cursor-pointer bg-warning text-warning-content' : 'bg-white/8'}`}
        onClick={() => toggle('all')}
      >
        {standsAt(findings.length, unread)}
      </button>
      <button
        type="button"
        className="cursor-pointer rounded-xs bg-white/8 px-1.5 py-1 whitespace-nowrap"
        onClick={() => openPanel('cut')}
      >
        Cut test
      </button>
      <label className="flex min-w-0 items-center gap-1.5 rounded-xs bg-white/8 py-1 pl-2 whitespace-nowrap">
        <span className="opacity-80">shop</span>
        <select
          className="max-w-44 min-w-0 cursor-pointer truncate bg-transparent pr-1 font-semibold"
          value={shop.id}
          onChange={(event) => {
            const to = event.target.value;
            if (to === ALL_SHOPS) openPanel('shops');
            else act('Shop spec', (j) => setShop(j, piece.id, to));
          }}
        >
          {shopsOf(job).map((each) => (
            <option key={each.id} value={each.id} className="text-black">
              {each.name}
            </option>
          ))}
          <option value={ALL_SHOPS} className="text-black">
            All shops, compared…
          </option>
        </select>
      </label>
      {/* Dialogs stand here so that every room of a piece has them. */}
      <div className="text-base-content">
        <Suspense>
          {panel === 'cut' && <CutDialog onClose={closePanel} />}
          {panel === 'shops' && <ShopsPanel onClose={closePanel} />}
          {panel === 'checks' && <ChecksPanel onClose={closePanel} />}
        </Suspense>
      </div>
    </section>
  );
}
