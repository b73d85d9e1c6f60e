import { nanoid } from 'nanoid';
import { useState } from 'react';
import { LOOKS, lookCalled } from '../../../core/starters';
import { beginSet, PIECE_NAMES, usualPiece } from '../../../core/starters/usual';
import { KINDS, type Kind } from '../../../core/trade/schema';
import { formatSize } from '../../../core/units/length';
import { useFonts } from '../../bench/use-fonts';
import { useKit } from '../../bench/use-kit';
import { goTo } from '../../parts/address';
import { Tick } from '../../parts/Tick';
import { TopBar } from '../../parts/TopBar';
import { TypefaceFaces } from '../../parts/TypefaceFaces';
import { keepBundle } from '../../store/kept-jobs';
import { CountryCard } from './CountryCard';
import { DetailsCard } from './DetailsCard';
import { choseCountry, emptyDraft, likelyCountry } from './draft';
import { LogoCard } from './LogoCard';
import { LookTiles } from './LookTiles';
import { PairingsCard } from './PairingsCard';

/** From a client's details to a whole set: what is known on the left, eight looks drawn with it on the right. */
export default function NewJob() {
  const [draft, setDraft] = useState(() => emptyDraft(likelyCountry(navigator.languages)));
  const [look, setLook] = useState(LOOKS[0]!.id);
  const [kinds, setKinds] = useState<readonly Kind[]>(KINDS);
  const [isMaking, setMaking] = useState(false);
  const [problem, setProblem] = useState<string>();
  const { kit, failure } = useKit();
  const { job } = draft;
  const fontsHere = useFonts(job);
  const isReady = kit !== undefined && fontsHere;

  async function create(): Promise<void> {
    if (!kit || !fontsHere) return;
    setMaking(true);
    try {
      const id = nanoid(12);
      const name = job.firm.name?.slice(0, 120) || 'New client';
      const named = { ...job, id, name, changed: new Date().toISOString() };
      const made = beginSet(named, lookCalled(look)!, kinds, () => nanoid(10), kit.fonts);
      await keepBundle({ job: made, assets: {} });
      goTo(`/pieces?job=${id}`);
    } catch (error) {
      setProblem((error as Error).message);
      setMaking(false);
    }
  }

  return (
    <div className="flex h-screen flex-col">
      <TypefaceFaces />
      <TopBar crumb={<h1 className="font-semibold text-base-content">New job</h1>}>
        <a href="/new" className="btn btn-sm">
          Create one piece instead…
        </a>
      </TopBar>
      <main className="grid min-h-0 flex-1 grid-cols-[390px_minmax(0,1fr)] max-[999px]:block max-[999px]:overflow-y-auto">
        <div className="grid content-start gap-7 overflow-y-auto border-r border-base-300 bg-base-200 p-5">
          <DetailsCard draft={draft} onChange={setDraft} />
          <LogoCard job={job} kit={kit} onChange={(to) => setDraft((now) => ({ ...now, job: to(now.job) }))} />
          <PairingsCard
            job={job}
            kit={kit}
            onChoose={(roles) => setDraft((now) => ({ ...now, job: { ...now.job, roles: { ...roles } } }))}
          />
          <CountryCard job={job} onChoose={(code) => setDraft((now) => choseCountry(now, code))} />
        </div>
        <section className="flex min-h-0 flex-col" aria-label="Looks and pieces">
          <LookTiles job={job} kit={isReady ? kit : undefined} chosen={look} onChoose={setLook} />
          <div className="flex items-center gap-5 border-t border-base-300 bg-base-100 px-5 py-3">
            <fieldset className="flex flex-wrap gap-x-5 gap-y-1">
              <legend className="sr-only">Pieces to create</legend>
              {KINDS.map((kind) => {
                const { width, height, unit } = usualPiece(job, kind, 'asked');
                return (
                  <Tick
                    key={kind}
                    checked={kinds.includes(kind)}
                    onChange={(on) => setKinds(KINDS.filter((each) => (each === kind ? on : kinds.includes(each))))}
                  >
                    <span>
                      {PIECE_NAMES[kind]} <span className="quiet">{formatSize(width, height, unit)}</span>
                    </span>
                  </Tick>
                );
              })}
            </fieldset>
            <div className="ml-auto flex shrink-0 items-center gap-3">
              {(problem ?? failure) && (
                <p role="alert" className="text-[13px] text-error">
                  {problem ?? failure}
                </p>
              )}
              <button
                type="button"
                className="btn btn-primary"
                disabled={!isReady || isMaking || kinds.length === 0}
                onClick={() => void create()}
              >
                {kinds.length === 1 ? 'Create 1 piece' : `Create ${kinds.length} pieces`}
              </button>
            </div>
          </div>
        </section>
      </main>
    </div>
  );
}
