import Check from 'lucide-react/icons/check';
import TriangleAlert from 'lucide-react/icons/triangle-alert';
import type { Row } from '../../../core/files/hand-off/comparison';
import { Scrolls } from '../../parts/Scrolls';

/** Whether a file is what was asked for. */
export function Verdict({ rows }: { rows: readonly Row[] }) {
  const wrong = rows.filter((row) => !row.right).length;
  return (
    <p
      role="status"
      className={`flex items-center gap-2 font-semibold text-[15px] ${wrong > 0 ? 'text-error' : 'text-success'}`}
    >
      {wrong > 0 ? <TriangleAlert size={18} /> : <Check size={18} />}
      {wrong > 0
        ? `The file was read back, and ${wrong} of ${rows.length} things are not as asked. Do not send it.`
        : `Verified: ${rows.length} of ${rows.length} match.`}
    </p>
  );
}

/** What was asked beside what the written file says. */
export function ReadBack({ rows }: { rows: readonly Row[] }) {
  return (
    <Scrolls label="What was verified" className="max-h-80 rounded border border-base-300">
      <table className="table table-xs text-[13.5px]">
        <thead className="sticky top-0 bg-base-200">
          <tr>
            <th>What</th>
            <th>Asked</th>
            <th>In the file</th>
            <th>
              <span className="sr-only">Verdict</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.what} className={row.right ? '' : 'bg-warning text-warning-content'}>
              <th scope="row" className="font-normal">
                {row.what}
              </th>
              <td>{row.asked}</td>
              <td>{row.read}</td>
              <td className="whitespace-nowrap">{row.right ? 'as asked' : 'differs'}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Scrolls>
  );
}
