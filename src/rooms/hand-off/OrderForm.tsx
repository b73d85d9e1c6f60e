import { nanoid } from 'nanoid';
import { useEffect, useState } from 'react';
import { elementAt } from '../../../core/checks/element-at';
import { type ClerkLine, type OrderSeen, STAGE_SAYS, VERDICTS } from '../../../core/files/counter/order';
import type { Chosen } from '../../../core/files/hand-off/plan';
import { plannedFiles } from '../../../core/files/hand-off/plan';
import { pieceOf } from '../../../core/job/find';
import { finishesUsed, finishSays } from '../../../core/job/finishing';
import { NO_ORDER } from '../../../core/job/order';
import type { Job } from '../../../core/job/schema';
import { shopIn } from '../../../core/job/shops-of';
import { asFace } from '../../../core/job/turned';
import { shownFaces } from '../../../core/scene/shown-faces';
import type { ShopSpec } from '../../../core/trade/schema';
import { fromPoints } from '../../../core/units/length';
import { quickHash } from '../../../workers/quick-hash';
import { useBench } from '../../bench/bench';
import { ExportRow } from '../../bench/gate/ExportRow';
import type { Gate } from '../../bench/gate/use-gate';
import { goTo } from '../../parts/address';
import { useWriting } from '../../parts/use-writing';
import { loadAssets } from '../../store/assets';
import { noteExport } from '../../store/kept-with';
import { select } from '../../store/session';
import { keepHandOff } from '../../store/versions';
import { CameBack } from './CameBack';
import { fileAtShop, giveAnswer, order, seeOrder } from './counter';
import { OrderFields } from './OrderFields';

const KEY = 'tidy-edge orders ';
const keptIds = (job: Job): string[] => {
  const kept = localStorage.getItem(KEY + job.id);
  return kept ? kept.split(' ') : [];
};
/** Orders that one still looks at. */
const MOST_KEPT = 40;
const mm = (points: number): number => Math.round(fromPoints(points, 'mm') * 100) / 100;

/** Shows the pages of a file as a shop has it, with their boxes and what it finds. */
type ShowPages = (file: File, shop: ShopSpec) => void;

/** Ordering at a shop's counter: what goes there, what it says of it, and where it is. */
export function OrderForm({ chosen, gate, onPages }: { chosen: readonly Chosen[]; gate: Gate; onPages: ShowPages }) {
  const { job } = useBench();
  const writing = useWriting();
  const [ids, setIds] = useState(() => keptIds(job));
  const [sending, setSending] = useState<string>();
  const [problem, setProblem] = useState<string>();
  async function place(): Promise<void> {
    setProblem(undefined);
    const assets = await loadAssets(job);
    // One file a piece, with its finishing in layers: the counter takes one.
    const files = plannedFiles(job, chosen, { files: 'one', finishing: 'layers' }, 1).filter(({ letters }) => !letters);
    const written = await writing.run((room, tell) => room.handOff(job, files, gate.letGo, assets, tell));
    if (!written) return;
    try {
      for (const { piece: id, name, bytes, asked } of written.files) {
        const piece = pieceOf(job, id)!;
        const { quantity, stock, finishing } = piece.order ?? NO_ORDER;
        const sha256 = await quickHash(bytes);
        const seen = await order(
          {
            key: nanoid(20),
            shop: asked.shop.id,
            client: job.name.slice(0, 200),
            piece: piece.name,
            width: mm(piece.width),
            height: mm(piece.height),
            sides: asked.faces?.length ?? piece.faces.length,
            quantity,
            stock,
            finishing: [...finishesUsed(piece).map(finishSays), ...finishing],
            delivery: 'Standard',
            file: { name, size: bytes.length, sha256 },
          },
          bytes,
          (share) => setSending(`Sending ${piece.name}: ${Math.round(share * 100)} %`),
        );
        setIds((now) => {
          const kept = [seen.id, ...now.filter((each) => each !== seen.id)].slice(0, MOST_KEPT);
          localStorage.setItem(KEY + job.id, kept.join(' '));
          return kept;
        });
        void noteExport(job, id);
      }
      void keepHandOff(
        job,
        chosen.map(({ piece }) => piece),
      );
    } catch (error) {
      setProblem((error as Error).message);
    }
    setSending(undefined);
  }
  return (
    <>
      <div className="min-h-0 flex-1 overflow-y-auto p-4">
        <p className="mb-4 text-[14px]">
          To the counters of the simulated shops that come with the app. They look at the file as a shop does, and make
          nothing before you say yes.
        </p>
        <OrderFields chosen={chosen} />
        {ids.length > 0 && <h3 className="heading mt-5 mb-2">Orders</h3>}
        <ul className="grid gap-2" aria-label="Orders">
          {ids.map((id) => (
            <OrderCard key={id} id={id} onPages={onPages} />
          ))}
        </ul>
      </div>
      <div className="grid gap-3 border-base-300 border-t p-4">
        {sending && (
          <p role="status" className="text-[14px]">
            {sending}
          </p>
        )}
        {problem && (
          <p role="alert" className="text-[14px] text-error">
            {problem}
          </p>
        )}
        <ExportRow
          gate={gate}
          writing={writing}
          says={chosen.length > 1 ? `Order ${chosen.length} pieces` : 'Order'}
          disabled={chosen.length === 0 || sending !== undefined}
          onWrite={() => void place()}
        />
      </div>
    </>
  );
}

/** What a clerk says; where it is at one place, a press leads to what drew it there. */
function ClerkSays({ line: { kind, page, says, at }, piece: name }: { line: ClerkLine; piece: string }) {
  const { job, sources, setFace } = useBench();
  const piece = job.pieces.find((each) => each.name === name);
  const face = piece && shownFaces(piece, sources)[page - 1];
  const element = at && piece && face ? elementAt(face, at, asFace(piece, face), sources) : undefined;
  return (
    <li className={`text-[13px] ${LINE[kind]}`}>
      {page > 0 ? `Page ${page}: ` : ''}
      {says}{' '}
      {element !== undefined && piece && (
        <button
          type="button"
          className="underline"
          onClick={() => {
            if (face) setFace(face.id);
            goTo(`/layout?job=${job.id}&piece=${piece.id}`);
            select(element);
          }}
        >
          Show it
        </button>
      )}
    </li>
  );
}

/** How often an order is asked after, in milliseconds. */
const OFTEN = 1500;
const LINE = { wrong: 'text-error', change: 'text-warning-content bg-warning/40 rounded px-1', note: 'quiet' } as const;

function OrderCard({ id, onPages }: { id: string; onPages: ShowPages }) {
  const { job } = useBench();
  const [seen, setSeen] = useState<OrderSeen>();
  const [problem, setProblem] = useState<string>();
  const [from, setFrom] = useState('');
  const isOver = seen?.stage === 'sent' || seen?.stage === 'refused' || seen?.verdict === 'back';
  useEffect(() => {
    if (isOver) return;
    let current = true;
    const ask = (): void =>
      void seeOrder(id).then(
        (now) => current && setSeen(now),
        (error: Error) => current && setProblem(error.message),
      );
    ask();
    const often = setInterval(ask, OFTEN);
    return () => {
      current = false;
      clearInterval(often);
    };
  }, [id, isOver]);
  if (!seen) return <li className="quiet text-[14px]">{problem ?? 'Asking the shop…'}</li>;
  const { asked, stage, verdict, lines, answer } = seen;
  const reply = (isYes: boolean): void =>
    void giveAnswer(id, { isYes, from, note: '' }).then(setSeen, (error: Error) => setProblem(error.message));
  return (
    <li className="grid gap-1.5 rounded border border-base-300 p-2 text-[14px]">
      <b className="font-semibold">
        {asked.quantity} × {asked.piece}
      </b>
      <span className="quiet text-[13px]">{shopIn(job, asked.shop).name}</span>
      <span>
        {verdict ? VERDICTS[verdict] : STAGE_SAYS[stage]}
        {answer?.isYes ? `, ${STAGE_SAYS[stage].toLowerCase()}` : ''}
        {stage === 'refused' ? `, ${STAGE_SAYS.refused.toLowerCase()}` : ''}
      </span>
      {lines.length > 0 && (
        <ul className="grid gap-1" aria-label={`What the shop says of ${asked.piece}`}>
          {lines.map((line) => (
            <ClerkSays key={`${line.page} ${line.says}`} line={line} piece={asked.piece} />
          ))}
        </ul>
      )}
      {verdict && (
        <button
          type="button"
          className="btn btn-sm"
          onClick={() =>
            void fileAtShop(id).then(
              (file) => onPages(new File([file], asked.file.name), shopIn(job, asked.shop)),
              (error: Error) => setProblem(error.message),
            )
          }
        >
          See its pages
        </button>
      )}
      {stage === 'answered' && verdict !== 'back' && (
        <div className="grid gap-1.5">
          <input
            className="input input-sm"
            aria-label="Your name"
            placeholder="Your name"
            value={from}
            maxLength={120}
            onChange={(event) => setFrom(event.target.value)}
          />
          <div className="flex gap-2">
            <button
              type="button"
              className="btn btn-sm btn-primary"
              disabled={from.trim() === ''}
              onClick={() => reply(true)}
            >
              Yes, print it
            </button>
            <button type="button" className="btn btn-sm" disabled={from.trim() === ''} onClick={() => reply(false)}>
              No
            </button>
          </div>
        </div>
      )}
      {seen.came && <CameBack id={id} piece={asked.piece} batch={seen.came} />}
      {problem && (
        <p role="alert" className="text-error">
          {problem}
        </p>
      )}
    </li>
  );
}
