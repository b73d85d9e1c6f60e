import { useState } from 'react';
import { flushSync } from 'react-dom';
import { type FindingListed, findingsListed, pagesSaid, plateSaid } from '../../../core/files/pdf/findings-listed';
import type { PageInspected } from '../../../core/files/pdf/inspect';
import type { BoxNumbers } from '../../../core/files/pdf/parsed/boxes';
import { apply } from '../../../core/geometry/matrix';
import type { PagePicture } from '../../../workers/draw-pages';
import type { Inspected } from '../../../workers/inspect-work';
import { PageShot } from '../../parts/PageShot';
import { asSeen } from './as-seen';
import { CutSheets } from './CutSheets';

const VIEWS = [
  ['With edges', false],
  ['As cut', true],
] as const;
const SAYS = { stop: 'Error', warn: 'Warning', advise: 'Advice' } as const;

/** A size in both units. */
function size([x0, y0, x1, y1]: BoxNumbers, unit: number): string {
  const sides = [x1 - x0, y1 - y0].map((side) => (side * unit) / 72);
  return `${sides.map((side) => (side * 25.4).toFixed(1)).join(' × ')} mm, ${sides.map((side) => side.toFixed(3)).join(' × ')} in`;
}

const counted = (count: number, of: string): string =>
  count === 0 ? `${of === 'error' ? 'No' : 'no'} ${of}s` : `${count} ${of}${count === 1 ? '' : 's'}`;

const listed = (names: readonly string[]): string => names.join(', ') || 'none';

/** What is in a PDF of any make, and what the shop would find in it. */
export function CheckedPdf({ checked, onBack }: { checked: Inspected; onBack(): void }) {
  const { name, inspection, pages } = checked;
  const [asCut, setAsCut] = useState(false);
  const { findings, rules, repaired, unread, fonts, plates } = inspection;
  const against = rules.filter(({ faults }) => faults.length > 0);
  const listedFindings = findingsListed(findings);
  const warnings = findings.filter(({ severity }) => severity === 'warn').length;
  const errors = findings.filter(({ severity }) => severity === 'stop').length + against.length;
  const toPage = (number: number): void => {
    flushSync(() => setAsCut(false));
    showPage(number);
  };
  const facts: readonly Fact[] = [
    ['Pages', String(inspection.pageCount)],
    ['Version', `PDF ${inspection.version}${inspection.producer ? `, made by ${inspection.producer}` : ''}`],
    ['Standard', inspection.standard ?? 'none claimed'],
    ['Printed for', inspection.intent ?? 'not said'],
    ['Plates', plates.map((plate) => `${plateSaid(plate.name)} (${pagesSaid(plate.pages)})`).join('; ') || 'none'],
    ['Typefaces', fonts.map((font) => `${font.name}${font.embedded ? '' : ', not embedded'}`).join('; ') || 'none'],
  ];
  return (
    <section aria-label={`Check of ${name}`} className="grid gap-5">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="mr-auto text-lg font-semibold">{name}</h2>
        <fieldset aria-label="How its pages are seen" className="join">
          {VIEWS.map(([says, cut]) => (
            <button
              key={says}
              type="button"
              aria-pressed={asCut === cut}
              className={`btn btn-sm join-item ${asCut === cut ? 'btn-neutral' : ''}`}
              onClick={() => setAsCut(cut)}
            >
              {says}
            </button>
          ))}
        </fieldset>
        <button type="button" className="btn btn-sm" onClick={onBack}>
          Close
        </button>
      </div>
      <p
        role="status"
        className={`font-semibold text-[15px] ${errors > 0 ? 'text-error' : warnings + unread.length > 0 ? '' : 'text-success'}`}
      >
        {`${counted(errors, 'error')}, ${counted(warnings, 'warning')}${unread.length > 0 ? ', of what could be read' : ''}.`}
        {repaired.length > 0 && ` Repaired to read it: ${repaired.join(', ')}.`}
      </p>
      {unread.length > 0 && (
        <ul aria-label="Not read" className="rounded bg-warning p-3 text-[14px] text-warning-content">
          {unread.slice(0, 12).map((what) => (
            <li key={what}>Not read: {what}</li>
          ))}
          {unread.length > 12 && <li>and {unread.length - 12} more</li>}
        </ul>
      )}
      {findings.length + against.length > 0 && (
        <ul aria-label="Findings" className="grid gap-1.5 rounded-lg bg-base-100 p-4 text-[14px] shadow-sm">
          {listedFindings.map(({ check, severity, pages: on, says, places }, i) => (
            <li key={`${check} ${says}`} className="flex gap-2">
              <Badge number={i + 1} placed={places.length > 0} />
              <span>
                <b className="font-semibold">{SAYS[severity]}</b>,{' '}
                <button type="button" className="link" onClick={() => toPage(on[0]!)}>
                  {pagesSaid(on)}
                </button>
                : {says}
              </span>
            </li>
          ))}
          {against.map(({ id, says, faults }) => (
            <li key={id} className="flex gap-2">
              <Badge number={0} placed={false} />
              <span>
                <b className="font-semibold">Error</b>, {inspection.standard}: {says} (
                {[...new Set(faults)].slice(0, 3).join('; ')})
              </span>
            </li>
          ))}
        </ul>
      )}
      <Facts rows={facts} className="gap-x-4 gap-y-1 rounded-lg bg-base-100 p-4 text-[14px] shadow-sm" />
      {asCut ? (
        <CutSheets pages={inspection.pages} shots={pages} />
      ) : (
        inspection.pages.map((page, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a page is known by its number
          <PageCard key={i} number={i + 1} page={page} shot={pages[i]} listed={listedFindings} />
        ))
      )}
    </section>
  );
}

/** A page comes into sight, and is where one goes on from. */
function showPage(number: number): void {
  const card = document.getElementById(pageId(number));
  card?.scrollIntoView({ block: 'start' });
  card?.focus({ preventScroll: true });
}
const pageId = (number: number): string => `checked-page-${number}`;

const BADGE =
  'grid size-5 shrink-0 place-items-center rounded-full bg-neutral font-semibold text-[12px] text-neutral-content';

/** The number that a finding has on the pictures of the pages; room for one where it is at no place. */
function Badge({ number, placed }: { number: number; placed: boolean }) {
  return placed ? <span className={BADGE}>{number}</span> : <span className="size-5 shrink-0" />;
}

type Fact = readonly [what: string, says: string];

function Facts({ rows, className }: { rows: readonly Fact[]; className: string }) {
  return (
    <dl className={`grid grid-cols-[auto_1fr] ${className}`}>
      {rows.map(([what, says]) => (
        <div key={what} className="contents">
          <dt className="quiet">{what}</dt>
          <dd>{says}</dd>
        </div>
      ))}
    </dl>
  );
}

const BOXES = [
  ['trim', 'Trim', '#24221e', undefined],
  ['bleed', 'Bleed', '#b9832a', '6 3'],
] as const;

/** A page as it is drawn, with its boxes. */
function PageCard({
  number,
  page,
  shot,
  listed: lines,
}: {
  number: number;
  page: PageInspected;
  shot: PagePicture | undefined;
  listed: readonly FindingListed[];
}) {
  const [x0, , , y1] = page.crop ?? page.media;
  const { unit, pictures, cut } = page;
  const seen = asSeen(page);
  const inside = (share: number): number => Math.max(0.02, Math.min(0.98, share));
  const marks = lines.flatMap(({ says, places }, i) =>
    places
      .filter((place) => place.page === number)
      .map(({ at }) => {
        const { x, y } = apply(seen.matrix, { x: cut[0] - x0 + at.x, y: y1 - cut[3] + at.y });
        return { says, of: i + 1, left: inside(x / seen.width), top: inside(y / seen.height) };
      }),
  );
  const rows: readonly Fact[] = [
    ...(['media', 'crop', 'bleed', 'trim', 'art'] as const).flatMap((kind) => {
      const box = page[kind];
      return box ? [[`${kind[0]!.toUpperCase()}${kind.slice(1)} box`, size(box, unit)] as const] : [];
    }),
    ['Plates', listed(page.plates.map(plateSaid))],
    ['Total ink', `${Math.round(page.highestInk * 100)} %`],
    ['Smallest type', page.smallestType === undefined ? 'no text' : `${page.smallestType.toFixed(1)} pt`],
    ['Thinnest line', page.thinnestLine === undefined ? 'no lines' : `${page.thinnestLine.toFixed(2)} pt`],
    ['Transparency', listed(page.soft)],
    ['Overprint', page.overprints ? 'yes' : 'no'],
    ...pictures
      .slice(0, 12)
      .map(
        (picture, i) =>
          [
            `Picture ${i + 1}`,
            `${picture.width} × ${picture.height}, ${Math.round(Math.min(picture.ppi, picture.ppiDown))} ppi, ${picture.space}`,
          ] as const,
      ),
  ];
  return (
    <section
      id={pageId(number)}
      tabIndex={-1}
      aria-label={`Page ${number}`}
      className="grid grid-cols-[minmax(0,5fr)_minmax(0,6fr)] gap-4 rounded-lg bg-base-100 p-4 shadow-sm"
    >
      <div className="relative justify-self-center self-start">
        {shot ? <PageShot page={shot} says={`Page ${number}`} /> : <p className="quiet">Page {number}</p>}
        {shot && (
          <svg
            className="pointer-events-none absolute inset-x-0 top-0 w-full"
            viewBox={`0 0 ${seen.width} ${seen.height}`}
            role="img"
            aria-label="Boxes of the page"
          >
            {BOXES.map(([kind, says, stroke, dash]) => {
              const box = page[kind];
              if (!box) return null;
              return (
                <rect
                  key={kind}
                  transform={`matrix(${seen.matrix.join(' ')})`}
                  x={box[0] - x0}
                  y={y1 - box[3]}
                  width={box[2] - box[0]}
                  height={box[3] - box[1]}
                  fill="none"
                  stroke={stroke}
                  strokeDasharray={dash}
                  vectorEffect="non-scaling-stroke"
                >
                  <title>{says}</title>
                </rect>
              );
            })}
          </svg>
        )}
        {shot && (
          <div className="absolute inset-x-0 top-0" style={{ aspectRatio: `${seen.width} / ${seen.height}` }}>
            {marks.map(({ says, of, left, top }, i) => (
              <span
                // biome-ignore lint/suspicious/noArrayIndexKey: two of one finding can be at one place
                key={i}
                title={says}
                className={`${BADGE} -translate-x-1/2 -translate-y-1/2 absolute shadow ring-2 ring-neutral-content`}
                style={{ left: `${100 * left}%`, top: `${100 * top}%` }}
              >
                {of}
              </span>
            ))}
          </div>
        )}
      </div>
      <Facts rows={rows} className="content-start gap-x-3 gap-y-1 text-[13px]" />
    </section>
  );
}
