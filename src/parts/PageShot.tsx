import type { PagePicture } from '../../workers/draw-pages';
import { usePictureUrl } from './use-picture-url';

/** A page as another program draws it. */
export function PageShot({ page, says }: { page: PagePicture; says: string }) {
  const url = usePictureUrl(page.image);
  return (
    <figure className="grid gap-1">
      {url && <img src={url} alt={says} className="max-h-[25vh] max-w-full bg-white shadow-md" />}
      <figcaption className="quiet text-center text-[13px]">{says}</figcaption>
    </figure>
  );
}
