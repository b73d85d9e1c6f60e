import type { CutRisk } from '../../../core/cut/simulate';

/** A chance in words that a designer can use. */
export const chanceText = (chance: number): string => {
  if (chance === 0) return 'none';
  const percent = chance * 100;
  return percent < 0.1 ? 'under 0.1 %' : `${percent.toFixed(percent < 10 ? 1 : 0)} %`;
};

/** A chance is something to look at from one piece in a hundred. */
const WORTH = 0.01;
const lit = (chance: number | undefined): string => ((chance ?? 0) >= WORTH ? 'bg-warning text-warning-content' : '');

/** What goes wrong how often, face by face. */
export function RiskTable({ risk }: { risk: CutRisk }) {
  return (
    <table className="table table-xs text-[13.5px]">
      <caption className="sr-only">Chances by side</caption>
      <thead>
        <tr>
          <th>Side</th>
          <th>White edge</th>
          <th>Text cut into</th>
          <th>Border uneven</th>
        </tr>
      </thead>
      <tbody>
        {risk.faces.map((face) => (
          <tr key={face.face}>
            <th scope="row" className="font-normal">
              {face.name}
            </th>
            <td className={lit(face.white.any)}>{chanceText(face.white.any)}</td>
            <td className={lit(face.touched.any)}>{chanceText(face.touched.any)}</td>
            <td className={lit(face.uneven)}>{face.uneven === undefined ? 'no border' : chanceText(face.uneven)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
