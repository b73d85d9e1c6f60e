import type { Picture } from '../../../core/job/schema';
import { effectivePpi } from '../../../core/picture/place';
import { formatSize } from '../../../core/units/length';
import { useBench } from './bench';

/** What a picture has to give at its printed size. */
export function PictureCard({ picture }: { picture: Picture }) {
  const { job, shop, unit } = useBench();
  const asset = job.assets[picture.asset];
  if (!asset) return null;
  const { wanted } = shop.ppi;
  const full = 72 / wanted;
  const rows: [string, string][] = [
    ['Pixels', `${asset.width} × ${asset.height}`],
    ['At this size', `${Math.round(effectivePpi(picture, asset.width, asset.height))} ppi`],
    [`Largest at ${wanted} ppi`, formatSize(asset.width * full, asset.height * full, unit, unit === 'in' ? 2 : 1)],
  ];
  return (
    <section aria-label="Picture">
      <h2 className="heading mb-1.5">Picture</h2>
      <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-0.5 rounded border border-base-300 bg-base-100 p-2">
        {rows.map(([what, value]) => (
          <div key={what} className="contents">
            <dt className="quiet">{what}</dt>
            <dd className="text-right">{value}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
