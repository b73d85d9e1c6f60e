import { useBench } from '../../bench/bench';
import { amountsAt, percent } from './amounts';
import { InkHistogram } from './InkHistogram';
import { PieceInks } from './PieceInks';
import { PressCard } from './PressCard';
import type { PlatesShown } from './use-plates';
import { WetPlaces } from './WetPlaces';

/** What the plates are and how much is on them. */
export function Plates({ plates }: { plates: PlatesShown }) {
  const { read, cell, looking, look } = plates;
  return (
    <aside
      className="flex min-h-0 flex-col gap-4 overflow-y-auto border-l border-base-300 bg-base-200 p-3"
      aria-label="Plates"
    >
      <PieceInks />
      {read && (
        <section aria-label="Plates of this side" className="grid gap-1">
          <h2 className="heading">Plates of this side</h2>
          {read.plates.size === 0 && <p className="quiet">Nothing prints on this side yet.</p>}
          {read.plates.size > 0 && (
            <table className="w-full text-[14px]">
              <thead className="quiet text-[12.5px]">
                <tr>
                  <th className="text-left font-normal">Plate</th>
                  <th className="text-right font-normal">Coverage</th>
                  <th className="text-right font-normal">At pointer</th>
                </tr>
              </thead>
              <tbody>
                {[...read.plates.keys()].map((plate) => {
                  const alone =
                    looking.kind === 'plate' && (looking.plate ?? read.plates.keys().next().value) === plate;
                  const hidden = looking.hidden.includes(plate);
                  const here = cell === undefined ? undefined : amountsAt(read, cell)[plate];
                  return (
                    <tr key={plate} className={`border-t border-base-300 ${alone ? 'bg-base-300' : ''}`}>
                      <td className="py-0.5">
                        <input
                          type="checkbox"
                          className="checkbox checkbox-xs mr-2 align-middle"
                          aria-label={`Show ${plate}`}
                          checked={!hidden}
                          onChange={() =>
                            look({
                              kind: 'proof',
                              hidden: hidden
                                ? looking.hidden.filter((each) => each !== plate)
                                : [...looking.hidden, plate],
                            })
                          }
                        />
                        <button
                          type="button"
                          className="cursor-pointer align-middle hover:underline"
                          aria-label={`${plate} alone`}
                          aria-pressed={alone}
                          onClick={() => look(alone ? { kind: 'proof' } : { kind: 'plate', plate })}
                        >
                          {plate}
                        </button>
                      </td>
                      <td className="text-right">{percent(read.coverage.get(plate) ?? 0)}</td>
                      <td className="w-16 text-right">{here === undefined ? '' : percent(here)}</td>
                    </tr>
                  );
                })}
                <tr className="border-t border-base-content/60 font-semibold">
                  <td className="py-0.5 pl-6">Sum</td>
                  <td className="text-right">
                    {percent([...read.coverage.values()].reduce((sum, share) => sum + share, 0))}
                  </td>
                  <td className="text-right">
                    {cell === undefined
                      ? ''
                      : percent(Object.values(amountsAt(read, cell)).reduce((sum, each) => sum + each, 0))}
                  </td>
                </tr>
              </tbody>
            </table>
          )}
        </section>
      )}
      {read && (
        <section aria-label="Area by total ink" className="grid gap-1">
          <h2 className="heading">Area by total ink</h2>
          <InkHistogram bins={read.histogram} limit={read.limit} />
          <p className="quiet text-[13px]">
            Most: {Math.round(read.highest.total * 100)} %, limit {Math.round(read.limit * 100)} %
          </p>
        </section>
      )}
      {read && <WetPlaces places={read.places} />}
      <PressCard />
      <Legend />
    </aside>
  );
}

const Legend = () => {
  const { shop } = useBench();
  return <p className="quiet text-[13px]">Coverage is of the trim area. {shop.name} prints this piece.</p>;
};
