import { useEffect, useState } from 'react';
import * as z from 'zod';
import { type OrderSeen, orderSeenSchema, STAGE_SAYS, VERDICTS } from '../../../core/files/counter/order';
import { shopOf } from '../../../core/trade/shops';

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
  return (
    <div className="min-h-screen bg-base-100">
      <main className="mx-auto grid max-w-5xl gap-4 bg-base-100 p-6">
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
                {['Came', 'Shop', 'For', 'What', 'File', 'Answer', 'Now'].map((head) => (
                  <th key={head} scope="col" className="py-1.5 pr-3 font-semibold">
                    {head}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {orders.map(({ id, made, asked, received, verdict, stage, lines }) => (
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
                  <td className="py-1.5">{STAGE_SAYS[stage]}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </main>
    </div>
  );
}
