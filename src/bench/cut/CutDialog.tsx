import { useEffect, useMemo, useState } from 'react';
import { type Drift, fromFace, NO_DRIFT, onFace, worstDrifts } from '../../../core/cut/drift';
import { changesFor } from '../../../core/cut/lower';
import { EDGES } from '../../../core/cut/one-cut';
import { heldFaces } from '../../../core/scene/finishing';
import { formatLength } from '../../../core/units/length';
import type { CutTest } from '../../../workers/cut-work';
import { Dialog } from '../../parts/Dialog';
import { act } from '../../store/session';
import { useBench } from '../bench';
import { plateRoom } from '../kit';
import { EdgeChart } from './EdgeChart';
import { Finished } from './Finished';
import { chanceText, RiskTable } from './RiskTable';

/** How long each worst case is shown, in milliseconds. */
const BEAT = 900;

/** The guillotine's drift: seen by hand, at its worst, and over ten thousand cuts. */
export function CutDialog({ onClose }: { onClose(): void }) {
  const { sheet: piece, sources, shop, unit } = useBench();
  const [drift, setDrift] = useState<Drift>(NO_DRIFT);
  const [playing, setPlaying] = useState<number>();
  const worst = useMemo(() => worstDrifts(shop.tolerance), [shop.tolerance]);
  useEffect(() => {
    if (playing === undefined) return;
    const next = worst[playing];
    if (!next) {
      setPlaying(undefined);
      setDrift(NO_DRIFT);
      return;
    }
    setDrift(next);
    const wait = setTimeout(() => setPlaying(playing + 1), BEAT);
    return () => clearTimeout(wait);
  }, [playing, worst]);
  const faces = heldFaces(piece, sources);
  const { x, y, twist, backs } = shop.tolerance;
  return (
    <Dialog wide="full" title={`Cut test of ${piece.name}`} onClose={onClose}>
      <div className="grid grid-cols-[minmax(0,1fr)_430px] gap-5">
        <div className="grid content-start gap-3">
          <div className="flex flex-wrap items-center justify-center gap-5 rounded bg-[var(--table)] p-5">
            {faces.slice(0, 4).map((face) => (
              <Finished
                key={face.id}
                face={face}
                drift={onFace(drift, piece, face)}
                onDrag={(by) => {
                  const cut = fromFace(by, piece, face);
                  setPlaying(undefined);
                  setDrift((was) => ({ ...was, x: was.x + cut.x, y: was.y + cut.y }));
                }}
              />
            ))}
          </div>
          <div className="grid grid-cols-3 gap-4">
            <Slide
              label="Cut to the right"
              value={drift.x}
              most={3 * Math.max(x, 1)}
              onChange={(to) => setDrift({ ...drift, x: to })}
              says={formatLength(drift.x, unit, 2)}
            />
            <Slide
              label="Cut further down"
              value={drift.y}
              most={3 * Math.max(y, 1)}
              onChange={(to) => setDrift({ ...drift, y: to })}
              says={formatLength(drift.y, unit, 2)}
            />
            <Slide
              label="Twisted clockwise"
              value={drift.twist}
              most={Math.max(2, 3 * twist)}
              onChange={(to) => setDrift({ ...drift, twist: to })}
              says={`${drift.twist.toFixed(2)}°`}
            />
          </div>
          <div className="flex items-center gap-2">
            <button type="button" className="btn btn-sm" onClick={() => setPlaying(0)} disabled={playing !== undefined}>
              Play the worst cases
            </button>
            <button
              type="button"
              className="btn btn-sm"
              onClick={() => {
                setPlaying(undefined);
                setDrift(NO_DRIFT);
              }}
            >
              Reset
            </button>
            <p className="quiet text-[13px]">
              Drag a side under the guillotine. {shop.name} drifts up to {formatLength(x, unit, 2)} across,{' '}
              {formatLength(y, unit, 2)} down, {twist}° round; backs lie up to {formatLength(backs, unit, 2)} off.
            </p>
          </div>
        </div>
        <ManyCuts />
      </div>
    </Dialog>
  );
}

function Slide({
  label,
  value,
  most,
  says,
  onChange,
}: {
  label: string;
  value: number;
  most: number;
  says: string;
  onChange(to: number): void;
}) {
  return (
    <label className="grid gap-0.5 text-[13px]">
      <span className="flex justify-between">
        <span className="quiet">{label}</span>
        <b className="font-semibold">{says}</b>
      </span>
      <input
        type="range"
        className="range range-xs"
        min={-most}
        max={most}
        step={most / 200}
        value={value}
        onChange={(event) => onChange(Number(event.target.value))}
      />
    </label>
  );
}

/** What ten thousand cuts come to, and which single change helps most. */
function ManyCuts() {
  const { job, sheet: piece, shop, sources, unit } = useBench();
  const [test, setTest] = useState<CutTest>();
  const [problem, setProblem] = useState<string>();
  const [faceId, setFaceId] = useState<string>();
  useEffect(() => {
    let current = true;
    plateRoom()
      .testCuts({ job, pieceId: piece.id })
      .then(
        (done) => current && setTest(done),
        (error: Error) => current && setProblem(error.message),
      );
    return () => {
      current = false;
    };
  }, [job, piece.id]);
  if (problem)
    return (
      <p role="alert" className="text-error">
        {problem}
      </p>
    );
  if (!test) return <p className="quiet">Cutting ten thousand times…</p>;
  const { risk, lower } = test;
  const changes = lower.length > 0 ? changesFor(job, piece, shop, sources.fonts, risk) : [];
  const face = risk.faces.find((each) => each.face === faceId) ?? risk.faces[0];
  return (
    <div className="grid content-start gap-3" aria-live="polite">
      <p className="text-[17px]">
        <b className="font-semibold">{risk.any === 0 ? 'No piece' : chanceText(risk.any)}</b> of{' '}
        {risk.cuts.toLocaleString('en')} {risk.any === 0 ? 'comes' : 'come'} out wrong.
      </p>
      <RiskTable risk={risk} />
      {lower.length > 0 && (
        <section aria-label="What would help" className="grid gap-1.5">
          <h3 className="heading">What would help most</h3>
          <ul className="grid gap-1">
            {lower.slice(0, 4).map((told) => {
              const change = changes.find(({ label, element }) => label === told.label && element === told.element);
              return (
                <li
                  key={`${told.element} ${told.label}`}
                  className="flex items-center justify-between gap-3 text-[14px]"
                >
                  <span>
                    {told.label}: {chanceText(told.before)} → {chanceText(told.after)}
                  </span>
                  {change && (
                    <button type="button" className="btn btn-xs" onClick={() => act(told.label, change.apply)}>
                      Do it
                    </button>
                  )}
                </li>
              );
            })}
          </ul>
        </section>
      )}
      {risk.faces.length > 1 && (
        <div className="join" role="tablist" aria-label="Edges of">
          {risk.faces.map((each) => (
            <button
              key={each.face}
              type="button"
              role="tab"
              aria-selected={each === face}
              className={`btn btn-xs join-item ${each === face ? 'btn-neutral' : ''}`}
              onClick={() => setFaceId(each.face)}
            >
              {each.name}
            </button>
          ))}
        </div>
      )}
      {face && (
        <div className="grid grid-cols-2 gap-x-4 gap-y-2">
          {EDGES.map((edge) => (
            <EdgeChart
              key={edge}
              name={edge}
              story={face.edges[edge]}
              white={face.white[edge]}
              touched={face.touched[edge]}
              unit={unit}
            />
          ))}
        </div>
      )}
    </div>
  );
}
