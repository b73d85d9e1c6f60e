import Trash from 'lucide-react/icons/trash-2';
import { markElements, markLogo, nameElement, removeElement, setPaint } from '../../../core/job/edits/elements';
import { nameGroup } from '../../../core/job/edits/groups';
import { flowHead, titleOf } from '../../../core/job/find';
import { membersOf } from '../../../core/job/groups';
import type { Code, Element } from '../../../core/job/schema';
import { roundIn } from '../../../core/units/length';
import { type Bench, useBench } from '../../bench/bench';
import { UnderlayCard } from '../../bench/underlay/UnderlayCard';
import { Cards } from '../../parts/Boundary';
import { LengthField } from '../../parts/LengthField';
import { Tick } from '../../parts/Tick';
import { Typed } from '../../parts/Typed';
import { act, select } from '../../store/session';
import { setNudge, useSettings } from '../../store/settings';
import { AreaCard, CombineCard } from './AreasCard';
import { ArrangeCard } from './arrange/ArrangeCard';
import { groupSelection, selectedGroups, ungroupSelection } from './arrange/arranging';
import { SeveralMeasures } from './arrange/SeveralMeasures';
import { CodeCard } from './CodeCard';
import { CommentsCard } from './CommentsCard';
import { FinishCard } from './FinishCard';
import { LogoCard } from './LogoCard';
import { MeasuredBy, Measures } from './Measures';
import { PersonCard } from './PersonCard';
import { PictureCard } from './PictureCard';
import { PrintCard } from './PrintCard';
import { EffectsCard } from './paint/EffectsCard';
import { FillCard } from './paint/FillCard';
import { InkCard } from './paint/InkCard';
import { LettersStrokeCard, RuleCard, StrokeCard } from './paint/LineCard';
import { FacesCard } from './piece/FacesCard';
import { FinishingCard } from './piece/FinishingCard';
import { KindCard } from './piece/KindCard';
import { RepeatCard } from './RepeatCard';
import { ShapeCard } from './ShapeCard';
import { SpellingCard } from './SpellingCard';
import { nudgeStep } from './steps';
import { ToCut } from './ToCut';
import { FrameCard } from './words/FrameCard';
import { PathCard } from './words/PathCard';
import { StyleCard } from './words/StyleCard';
import { WordsCard } from './words/WordsCard';

/** The right column: the selection's measures and make-up, or the piece's own when nothing is selected. */
export function Details() {
  const { selected, selection } = useBench();
  return (
    <aside
      className="flex min-h-0 flex-col gap-4 overflow-y-auto border-l border-base-300 bg-base-200 p-3"
      aria-label="Details"
    >
      {selected ? (
        <ElementDetails key={selected.id} element={selected} />
      ) : selection.length > 1 ? (
        <SeveralDetails />
      ) : (
        <PieceDetails />
      )}
    </aside>
  );
}

function ElementDetails({ element }: { element: Element }) {
  const { piece } = useBench();
  const begins = flowHead(piece, element.id);
  const head = begins === element.id ? undefined : begins;
  // A finish has no ink of its own: its form is what counts.
  const isInk = element.finish === undefined;
  return (
    <Cards>
      {element.kind === 'words' && head && <GoesOnFrom head={head} />}
      {element.kind === 'words' && !head && <WordsCard words={element} />}
      {isInk && element.kind === 'words' && !head && <FillCard element={element} />}
      {element.kind === 'picture' && <PictureCard picture={element} />}
      {isInk && (element.kind === 'shape' || element.kind === 'rule') && <FillCard element={element} />}
      {isInk && element.kind === 'code' && <CodePaint code={element} />}
      {element.kind === 'rule' && <RuleCard rule={element} />}
      <Measures element={element} />
      {element.kind === 'shape' && !element.outline && <ShapeCard shape={element} />}
      {element.kind === 'code' && <CodeCard code={element} />}
      <ToCut element={element} />
      <ArrangeCard />
      {element.kind === 'words' && <FrameCard words={element} />}
      {element.kind === 'words' && !head && <PathCard words={element} />}
      {element.kind === 'words' && !head && <StyleCard words={element} />}
      {isInk && element.kind === 'shape' && <StrokeCard shape={element} />}
      {isInk && element.kind === 'words' && !head && <LettersStrokeCard words={element} />}
      {isInk && <PrintCard element={element} />}
      <FinishCard elements={[element]} />
      {isInk && <EffectsCard element={element} />}
      <RepeatCard elements={[element]} />
      {element.kind === 'shape' && <AreaCard shape={element} />}
      <Identity element={element} />
    </Cards>
  );
}

/** Words that go on from another frame have their text and their look from there. */
function GoesOnFrom({ head }: { head: string }) {
  const { piece, job, setFace } = useBench();
  const face = piece.faces.find((f) => f.elements.some((e) => e.id === head));
  const first = face?.elements.find((e) => e.id === head);
  if (!face || !first) return null;
  return (
    <section aria-label="Text" className="grid gap-1.5">
      <h2 className="heading">Continued from {face.name.toLowerCase()}</h2>
      <p className="quiet">“{titleOf(first, job.assets)}” goes on here, in the look it has there.</p>
      <button
        type="button"
        className="btn btn-sm justify-self-start"
        onClick={() => {
          setFace(face.id);
          select(head);
        }}
      >
        To where it begins
      </button>
    </section>
  );
}

const CodePaint = ({ code }: { code: Code }) => (
  <InkCard
    paint={code.paint}
    edit={(paint) => (job) => setPaint(job, code.id, paint)}
    commit={(name, paint) => act(name, (job) => setPaint(job, code.id, paint))}
  />
);

function Identity({ element }: { element: Element }) {
  const { job } = useBench();
  return (
    <section aria-label="Name" className="grid gap-1.5">
      <h2 className="heading">Name</h2>
      <Typed
        className="input input-sm w-full text-[14px]"
        aria-label="Name of the element"
        placeholder={titleOf(element, job.assets)}
        said={element.name ?? ''}
        maxLength={120}
        onTake={(name) => act('Name', (j) => nameElement(j, element.id, name))}
      />
      <Tick checked={element.logo === true} onChange={(on) => act('Mark as logo', (j) => markLogo(j, element.id, on))}>
        A logo: keep it out of the edge
      </Tick>
      <MarkButtons elements={[element]} />
      <LogoCard />
      <button
        type="button"
        className="btn btn-sm justify-self-start"
        onClick={() => {
          act('Delete', (j) => removeElement(j, element.id));
          select();
        }}
      >
        <Trash size={14} /> Delete
      </button>
    </section>
  );
}

/** What several selected things have in common: that they can be arranged. */
function SeveralDetails() {
  const bench = useBench();
  const { selection, job } = bench;
  const groups = selectedGroups(bench);
  const [only] = groups;
  const isGroup = groups.length === 1 && only && selection.length === groupSize(bench, only.group);
  return (
    <Cards>
      <section aria-label="Selection" className="grid gap-1.5">
        <h2 className="heading">{isGroup ? 'A group' : `${selection.length} selected`}</h2>
        <p className="quiet truncate">{selection.map((e) => titleOf(e, job.assets)).join(', ')}</p>
        {isGroup && <GroupName face={only.face} group={only.group} />}
        <div className="grid grid-cols-2 gap-1.5">
          <button
            type="button"
            className="btn btn-sm"
            disabled={Boolean(isGroup)}
            onClick={() => groupSelection(bench)}
          >
            Group
          </button>
          <button
            type="button"
            className="btn btn-sm"
            disabled={groups.length === 0}
            onClick={() => ungroupSelection(bench)}
          >
            Ungroup
          </button>
        </div>
      </section>
      <SeveralMeasures />
      <LogoCard />
      <ArrangeCard />
      <CombineCard />
      <FinishCard elements={selection} />
      <RepeatCard elements={selection} />
      <MeasuredBy />
      <MarkButtons elements={selection} />
    </Cards>
  );
}

const groupSize = ({ shown }: Bench, group: string): number =>
  shown.reduce((sum, face) => sum + membersOf(face, group).length, 0);

function GroupName({ face, group }: { face: string; group: string }) {
  const { shown } = useBench();
  const name = shown.flatMap((f) => f.groups ?? []).find((g) => g.id === group)?.name ?? '';
  return (
    <Typed
      className="input input-sm w-full text-[14px]"
      aria-label="Name of the group"
      placeholder="Name of the group"
      said={name}
      maxLength={120}
      onTake={(to) => act('Name', (j) => nameGroup(j, face, group, to))}
    />
  );
}

const MARKS = [
  ['locked', 'Locked'],
  ['hidden', 'Hidden'],
  ['sample', 'Sample: shown, never printed'],
] as const;

/** Marks that all of some elements have, or are given. */
function MarkButtons({ elements }: { elements: readonly Element[] }) {
  return (
    <section aria-label="Marks" className="grid gap-1">
      {MARKS.map(([mark, says]) => (
        <label key={mark} className="flex cursor-pointer items-center gap-2 text-[14px]">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={elements.every((e) => e[mark])}
            onChange={(event) => {
              const on = event.target.checked;
              act(says, (job) =>
                markElements(
                  job,
                  elements.map((e) => e.id),
                  mark,
                  on,
                ),
              );
            }}
          />
          {says}
        </label>
      ))}
    </section>
  );
}

/** How far an arrow key moves things. */
function NudgeField() {
  const { unit, echo } = useBench();
  const { nudge } = useSettings();
  const says =
    nudge === undefined
      ? `The usual step: ${unit === 'mm' ? '0.1 mm, with Shift 1 mm' : '1/64 in, with Shift 1/16 in'}`
      : 'With Shift, ten times as far';
  return (
    <section aria-label="Nudge" className="mt-2 text-base-content">
      <LengthField
        label="Arrow keys move"
        hint={says}
        unit={unit}
        echo={echo}
        value={nudge ?? nudgeStep(unit)}
        least={roundIn(unit, 0.01, 0.001)}
        most={roundIn(unit, 70, 2.75)}
        onChange={setNudge}
      />
    </section>
  );
}

function PieceDetails() {
  const { face } = useBench();
  return (
    <section aria-label="Nothing selected" className="quiet grid gap-2">
      <h2 className="heading">Nothing selected</h2>
      <p>
        {face.elements.length === 0
          ? 'Add text, a picture or a shape on the left. Then click it here to place it exactly.'
          : 'Click something on the piece, or in the contents, to place it exactly.'}
      </p>
      <p>
        <kbd className="key">?</kbd> lists the keyboard shortcuts.
      </p>
      <CommentsCard />
      <PersonCard />
      <KindCard />
      <FinishingCard />
      <FacesCard />
      <UnderlayCard />
      <NudgeField />
      <SpellingCard />
    </section>
  );
}
