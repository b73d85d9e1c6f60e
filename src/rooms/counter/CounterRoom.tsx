import { useEffect, useState } from 'react';
import * as z from 'zod';
import { FAULTS, type Fault } from '../../../core/files/counter/came-back';
import { type OrderSeen, orderSeenSchema, STAGE_SAYS, VERDICTS } from '../../../core/files/counter/order';
import { shopOf } from '../../../core/trade/shops';
import { Tick } from '../../parts/Tick';

const seenSchema = z.object({ orders: z.array(orderSeenSchema) });
/** How often the book is read again, in milliseconds. */
const OFTEN = 2000;

/** The other side of the counter: the book of the simulated shops, as those who work there see it. */
export default function CounterRoom() {
  const [orders, setOrders] = useState<OrderSeen[]>();
  const [problem, setProblem] = useState<string>();
  useEffect(() => {
    const read = (): void =>
      void fetch('/api/counter/orders')
        .then(async (response) => setOrders(seenSchema.parse(await response.json()).orders))
        .catch(() => setProblem('The server does not answer.'));
    read();
    const often = setInterval(read, OFTEN);
    return () => clearInterval(often);
  }, []);
  async function put(id: string, faults: readonly Fault[]): Promise<void> {
    const response = await fetch(`/api/counter/orders/${id}/faults`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(faults),
    }).catch(() => undefined);
    const now = response?.ok ? orderSeenSchema.parse(await response.json()) : undefined;
    if (now) setOrders((all) => all?.map((each) => (each.id === id ? now : each)));
    else setProblem('That could not be changed: the order is done, or the server does not answer.');
  }
  return (
    <div className="min-h-screen bg-base-100">
      <main className="mx-auto grid max-w-6xl gap-4 bg-base-100 p-6">
        <header>
          <h1 className="text-2xl font-semibold">Counter</h1>
          <p className="quiet">
            The order book of the simulated shops. Files are looked at as they come, one after another.
          </p>
        </header>
        {problem && <p role="alert">{problem}</p>}
        {orders?.length === 0 && <p>No orders yet. Order a piece from Hand-off, and it is here.</p>}
        {orders && orders.length > 0 && (
          <table className="w-full border-collapse text-[14px]" aria-label="Orders">
            <thead>
              <tr className="border-base-content border-b text-left">
                {['Came', 'Shop', 'For', 'What', 'File', 'Answer', 'Now', 'Goes wrong'].map((head) => (
                  <th key={head} scope="col" className="py-1.5 pr-3 font-semibold">
                    {head}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {orders.map(({ id, made, asked, received, verdict, stage, lines, faults }) => (
                <tr key={id} className="border-base-300 border-b align-top">
                  <td className="py-1.5 pr-3 tabular-nums">{made.slice(5, 16).replace('T', ' ')}</td>
                  <td className="py-1.5 pr-3">{shopOf(asked.shop).name}</td>
                  <td className="py-1.5 pr-3">{asked.client}</td>
                  <td className="py-1.5 pr-3">
                    {asked.quantity} × {asked.piece}
                    <span className="quiet block text-[13px]">
                      {asked.width} × {asked.height} mm{asked.stock ? `, ${asked.stock}` : ''}
                      {asked.finishing.length > 0 ? `, ${asked.finishing.join(', ')}` : ''}
                    </span>
                  </td>
                  <td className="py-1.5 pr-3 tabular-nums">{Math.round((100 * received) / asked.file.size)} %</td>
                  <td className="py-1.5 pr-3">
                    {verdict ? VERDICTS[verdict] : '–'}
                    {lines[0] && <span className="quiet block text-[13px]">{lines[0].says}</span>}
                  </td>
                  <td className="py-1.5 pr-3">{STAGE_SAYS[stage]}</td>
                  <td className="py-1.5">
                    <Faults of={asked.piece} on={faults} isDone={DONE.has(stage)} onChange={(to) => void put(id, to)} />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </main>
    </div>
  );
}

const DONE: ReadonlySet<OrderSeen['stage']> = new Set(['sent', 'refused']);

/** What is to go wrong with an order, as long as something can. */
function Faults({
  of,
  on,
  isDone,
  onChange,
}: {
  of: string;
  on: readonly Fault[];
  isDone: boolean;
  onChange(to: Fault[]): void;
}) {
  return (
    <fieldset aria-label={`What goes wrong with ${of}`} className="grid gap-0.5" disabled={isDone}>
      {(Object.keys(FAULTS) as Fault[]).map((fault) => (
        <Tick
          key={fault}
          checked={on.includes(fault)}
          onChange={(is) => onChange(is ? [...on, fault] : on.filter((each) => each !== fault))}
        >
          {FAULTS[fault]}
        </Tick>
      ))}
    </fieldset>
  );
}
