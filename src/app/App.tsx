import { type ComponentType, useEffect, useReducer, useState } from 'react';
import { useLocation, useSearch } from 'wouter';
import * as z from 'zod';
import { BenchHost } from '../bench/BenchHost';
import { WorkNotices } from '../bench/SaveState';
import { CollectionDialog } from '../bench/type/CollectionDialog';
import { NewerNotice } from '../offline/NewerNotice';
import { keepOffline } from '../offline/register';
import { goTo } from '../parts/address';
import { Boundary } from '../parts/Boundary';
import { clearUnused } from '../store/assets';
import { clearOldBin } from '../store/bin';
import { commitField } from '../store/commit-field';
import { flush } from '../store/saving';

type Load = () => Promise<{ default: ComponentType }>;

/** The rooms by their address, each loaded when it is first entered. */
const ROOMS: Record<string, { title: string; load: Load }> = {
  '': { title: 'Jobs', load: () => import('../rooms/jobs/Jobs') },
  'new-job': { title: 'New job', load: () => import('../rooms/new-job/NewJob') },
  new: { title: 'New piece', load: () => import('../rooms/new-piece/NewPiece') },
  pieces: { title: 'Pieces', load: () => import('../rooms/pieces/PiecesRoom') },
  house: { title: 'House style', load: () => import('../rooms/house/HouseRoom') },
  layout: { title: 'Layout', load: () => import('../rooms/layout/LayoutRoom') },
  run: { title: 'Run', load: () => import('../rooms/run/RunRoom') },
  inks: { title: 'Inks', load: () => import('../rooms/inks/InksRoom') },
  sheet: { title: 'Sheet', load: () => import('../rooms/sheet/SheetRoom') },
  'hand-off': { title: 'Hand-off', load: () => import('../rooms/hand-off/HandOffRoom') },
};
/** Rooms in which no piece of the job is held open. */
const WITHOUT_BENCH: ReadonlySet<string> = new Set(['', 'new-job', 'new']);
/** Rooms that show other pieces of the job too. */
const WIDE: ReadonlySet<string> = new Set(['sheet', 'hand-off']);

const roomOf = (path: string): string => path.replace(/^\/|\/$/g, '');

// Pages may not make code out of text: checks of shapes go without it.
z.config({ jitless: true });

/** The rooms that are here: one that is shown at once, without a moment's waiting. */
const here = new Map<string, ComponentType>();
const loading = new Map<string, Promise<unknown>>();
function loadRoom(name: string): Promise<unknown> {
  const found = loading.get(name) ?? ROOMS[name]!.load().then((room) => here.set(name, room.default));
  loading.set(name, found);
  // What failed is asked for again the next time.
  found.catch(() => loading.delete(name));
  return found;
}

// The room that is asked for begins to load before anything is drawn.
const first = typeof location === 'undefined' ? '' : roomOf(location.pathname);
if (ROOMS[first]) void loadRoom(first).catch(() => undefined);

/** A room, as soon as it is here. React's own way of waiting would keep one that comes at once back for 300 ms. */
function Room({ name }: { name: string }) {
  const [, shownAgain] = useReducer((n: number) => n + 1, 0);
  const [fault, setFault] = useState<Error>();
  const Shown = here.get(name);
  useEffect(() => {
    if (!Shown) loadRoom(name).then(shownAgain, setFault);
  }, [Shown, name]);
  if (fault) throw fault;
  return Shown ? <Shown /> : <Wait />;
}

/** The other rooms come when there is time, so that going to one is at once. */
function useRestLater(): void {
  useEffect(() => {
    const rest = Object.keys(ROOMS).filter((name) => name !== first);
    const next = (): void => {
      const name = rest.shift();
      if (name !== undefined)
        void loadRoom(name)
          .catch(() => undefined)
          .then(() => requestIdleCallback(next, { timeout: 4000 }));
    };
    const wait = setTimeout(() => requestIdleCallback(next), 2500);
    return () => clearTimeout(wait);
  }, []);
}

/** What nobody can come back to any more is cleared away, when there is time. */
function useTidying(): void {
  useEffect(() => {
    const wait = setTimeout(
      () =>
        requestIdleCallback(
          () =>
            void clearOldBin()
              .then(() => clearUnused())
              .catch(() => undefined),
        ),
      20_000,
    );
    return () => clearTimeout(wait);
  }, []);
}

/** Plain links between rooms stay in the page; new tabs, other sites and downloads are the browser's. */
function useInnerLinks(): void {
  useEffect(() => {
    const click = (event: MouseEvent): void => {
      const link = event.target instanceof Element ? event.target.closest('a') : null;
      if (!link || event.defaultPrevented || event.button !== 0) return;
      if (event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) return;
      if (link.origin !== location.origin || link.target || link.hasAttribute('download')) return;
      if (!ROOMS[roomOf(link.pathname)]) return;
      event.preventDefault();
      goTo(link.pathname + link.search);
    };
    document.addEventListener('click', click);
    window.addEventListener('popstate', commitField);
    return () => {
      document.removeEventListener('click', click);
      window.removeEventListener('popstate', commitField);
    };
  }, []);
}

/** A room that cannot be drawn says so; the others, and the work, are as they were. */
const RoomFault = ({ error }: { error: Error }) => (
  <main className="grid h-screen place-content-center gap-4 text-center" role="alert">
    <p>This room cannot be shown: {error.message}</p>
    <p>What was done is saved. Try again, or go on from Jobs.</p>
    <p className="flex justify-center gap-2">
      <button
        type="button"
        className="btn btn-sm btn-primary"
        onClick={() => void flush().then(() => location.reload())}
      >
        Try again
      </button>
      <a href="/" className="btn btn-sm">
        Jobs
      </a>
    </p>
  </main>
);
const roomFault = (error: Error) => <RoomFault error={error} />;

const Wait = () => (
  <p className="grid h-screen place-content-center" role="status">
    Opening…
  </p>
);

/** All rooms, in one page: what has been loaded, set, separated and laid on plates goes along from one to the next. */
export default function App() {
  const [path] = useLocation();
  const search = new URLSearchParams(useSearch());
  const name = roomOf(path);
  const room = ROOMS[name];
  useRestLater();
  useInnerLinks();
  useTidying();
  useEffect(keepOffline, []);
  useEffect(() => {
    document.title = `${room?.title ?? 'Not found'} · Tidy Edge`;
  }, [room]);
  if (!room) return null;
  const jobId = search.get('job') ?? '';
  const pieceId = search.get('piece') ?? (name === 'pieces' ? '' : undefined);
  const shown = (
    <Boundary key={`${name} ${jobId} ${pieceId}`} instead={roomFault}>
      <Room name={name} />
      <NewerNotice />
    </Boundary>
  );
  if (WITHOUT_BENCH.has(name)) return shown;
  return (
    <Boundary key={jobId} instead={roomFault}>
      <BenchHost jobId={jobId} pieceId={pieceId} isWide={WIDE.has(name)}>
        {shown}
        <WorkNotices />
        <CollectionDialog />
      </BenchHost>
    </Boundary>
  );
}
