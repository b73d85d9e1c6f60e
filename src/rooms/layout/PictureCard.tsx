import RotateCw from 'lucide-react/icons/rotate-cw';
import { useState } from 'react';
import { placeAtAngle, placeBetween } from '../../../core/colour/gradient-ends';
import { middleOf } from '../../../core/geometry/box';
import { personOf } from '../../../core/job/edits/house';
import {
  FILLING,
  quotePerson,
  replacePicture,
  setCrop,
  setFade,
  setView,
  turnInside,
} from '../../../core/job/edits/pictures';
import type { Asset, Picture, PictureView, Shape } from '../../../core/job/schema';
import { effectivePpi, pictureBox, pointsPerPixel } from '../../../core/picture/place';
import { formatSize } from '../../../core/units/length';
import { intake } from '../../../workers/intake';
import { useBench } from '../../bench/bench';
import { useSketch } from '../../bench/use-sketch';
import { Choice } from '../../parts/Choice';
import { FileChooser } from '../../parts/FileChooser';
import { Fold } from '../../parts/Fold';
import { NumberField } from '../../parts/NumberField';
import { PICTURE_KINDS } from '../../parts/picture-kinds';
import { Tick } from '../../parts/Tick';
import { act, type Edit } from '../../store/session';

/** What a picture has to give at its printed size. */
export function PictureCard({ picture }: { picture: Picture }) {
  const { job, shop, unit } = useBench();
  const asset = job.assets[picture.asset];
  if (!asset) return null;
  const { wanted } = shop.ppi;
  const full = 72 / wanted;
  const size = (width: number, height: number): string => formatSize(width, height, unit, unit === 'in' ? 2 : 1);
  const { page } = asset;
  const perPixel = pointsPerPixel(picture, asset.width, asset.height);
  const ofPage: [string, string][] = page
    ? [
        ['Its own size', size(page.width, page.height)],
        ['Here', `${Math.round((100 * perPixel * asset.width) / page.width)} %`],
        ['Plates', page.plates.join(', ')],
      ]
    : [];
  const ofPixels: [string, string][] = [
    ['Pixels', `${asset.width} × ${asset.height}`],
    ['At this size', `${Math.round(effectivePpi(picture, asset.width, asset.height))} ppi`],
    [`Largest at ${wanted} ppi`, size(asset.width * full, asset.height * full)],
  ];
  return (
    <section aria-label={page ? 'PDF page' : 'Picture'} className="grid gap-1.5">
      <h2 className="heading">{page ? 'PDF page' : 'Picture'}</h2>
      <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-0.5 rounded border border-base-300 bg-base-100 p-2">
        {(page ? ofPage : ofPixels).map(([what, value]) => (
          <div key={what} className="contents">
            <dt className="quiet">{what}</dt>
            <dd className="text-right">{value}</dd>
          </div>
        ))}
      </dl>
      <InFrame picture={picture} asset={asset} />
      <Replace picture={picture} />
      <OfPerson picture={picture} />
      <CropAndFade picture={picture} />
    </section>
  );
}

/** Whether it is the picture of whoever the piece is shown for. */
function OfPerson({ picture }: { picture: Picture }) {
  const { job, piece } = useBench();
  const person = personOf(job, piece);
  if (!picture.quote && !person?.picture) return null;
  return (
    <Tick
      checked={picture.quote !== undefined}
      onChange={(quotes) => act('Picture of a person', (j) => quotePerson(j, picture.id, quotes))}
    >
      Picture of whoever it is shown for
    </Tick>
  );
}

const FITS = [
  ['fill', 'Fills its frame'],
  ['whole', 'Whole in its frame'],
  ['exact', 'At an exact scale'],
] as const;

/** How the picture lies in its frame: how it fits, how large, which part of it. */
function InFrame({ picture, asset: { width, height, page } }: { picture: Picture; asset: Asset }) {
  const view = picture.view ?? FILLING;
  const put = (to: Partial<PictureView>): void =>
    act('Picture in its frame', (job) => setView(job, picture.id, { ...view, ...to }));
  const choose = (fit: PictureView['fit']): void =>
    put(fit === 'exact' ? { fit, zoom: pointsPerPixel(picture, width, height) } : { fit, zoom: 1 });
  // Points a pixel: of a page as large as it is, of pixels at the resolution that print is measured by.
  const full = page ? page.width / width : 72 / 300;
  const lies = pictureBox(picture, width, height);
  const room = { x: Math.abs(lies.width - picture.width) > 0.01, y: Math.abs(lies.height - picture.height) > 0.01 };
  return (
    <>
      <div className="grid grid-cols-[1fr_auto] gap-1.5">
        <Choice label="In its frame" value={view.fit} options={FITS} onChange={choose} />
        <button
          type="button"
          className="btn btn-sm btn-square"
          aria-label="A quarter turn inside its frame"
          title="A quarter turn inside its frame"
          onClick={() => act('Rotate inside', (job) => turnInside(job, picture.id))}
        >
          <RotateCw size={14} />
        </button>
      </div>
      {view.fit === 'exact' ? (
        <NumberField
          label={page ? 'Scale %' : 'Scale % of 300 ppi'}
          value={Math.round((view.zoom / full) * 1000) / 10}
          least={1}
          most={100_000}
          onChange={(percent) => put({ zoom: (percent / 100) * full })}
        />
      ) : (
        <Slide
          label="Zoom"
          value={Math.round(view.zoom * 100)}
          least={view.fit === 'fill' ? 100 : 10}
          most={500}
          says={(percent) => `${percent} %`}
          edit={(percent) => (job) => setView(job, picture.id, { ...view, zoom: percent / 100 })}
        />
      )}
      {(['x', 'y'] as const).map(
        (axis) =>
          room[axis] && (
            <Slide
              key={axis}
              label={axis === 'x' ? 'Across' : 'Down'}
              value={Math.round(view.at[axis] * 100)}
              least={0}
              most={100}
              says={(percent) => `${percent} %`}
              edit={(percent) => (job) =>
                setView(job, picture.id, { ...view, at: { ...view.at, [axis]: percent / 100 } })
              }
            />
          ),
      )}
      <p className="quiet text-[13px]">Double click it on the piece to move it inside its frame; the wheel zooms.</p>
    </>
  );
}

/** A value that is slid to: seen while it moves, one step when it is let go. */
function Slide({
  label,
  value,
  least,
  most,
  says,
  edit,
}: {
  label: string;
  value: number;
  least: number;
  most: number;
  says(value: number): string;
  edit(value: number): Edit;
}) {
  const name = 'Picture in its frame';
  const [sliding, setSliding] = useState<number>();
  const slide = useSketch(name);
  const shown = sliding ?? value;
  const take = (): void => {
    if (sliding === undefined) return;
    setSliding(undefined);
    slide.settle();
  };
  return (
    <label className="grid grid-cols-[3.4rem_1fr_3.2rem] items-center gap-2 text-[13.5px]">
      {label}
      <input
        type="range"
        className="range range-xs"
        min={least}
        max={most}
        value={shown}
        aria-label={`${label} in its frame`}
        onChange={(event) => {
          const to = Number(event.target.value);
          setSliding(to);
          slide.sketch(edit(to));
        }}
        onPointerUp={take}
        onKeyUp={take}
        onBlur={take}
      />
      <span className="text-right">{says(shown)}</span>
    </label>
  );
}

/** Another picture in the same frame. */
function Replace({ picture }: { picture: Picture }) {
  const [message, setMessage] = useState<string>();
  const [told, setTold] = useState<string>();
  async function take(file: File): Promise<void> {
    setMessage(undefined);
    try {
      const { hash, asset, told } = await intake().takeIn(file, file.name);
      setTold(told.join(' '));
      act('Replace picture', (job) => replacePicture(job, picture.id, hash, asset));
    } catch (error) {
      setMessage(`${file.name}: ${(error as Error).message}`);
    }
  }
  return (
    <>
      <FileChooser
        label="Picture to replace it with"
        accept={PICTURE_KINDS}
        className="btn btn-sm justify-self-start"
        onFile={(file) => void take(file)}
      >
        Replace it, keep its crop
      </FileChooser>
      {message && (
        <p role="alert" className="text-[13px] text-error">
          {message}
        </p>
      )}
      {told && (
        <p role="status" className="text-[13px]">
          {told}
        </p>
      )}
    </>
  );
}

type Crop = 'frame' | 'ellipse' | 'polygon' | 'star' | 'blot' | 'own';
const CROPS: Record<Exclude<Crop, 'own'>, Pick<Shape, 'form'>> = {
  frame: {},
  ellipse: { form: { kind: 'ellipse' } },
  polygon: { form: { kind: 'polygon', sides: 6 } },
  star: { form: { kind: 'star', points: 5, depth: 0.45 } },
  blot: { form: { kind: 'blot', seed: 7, irregularity: 0.35, count: 9, drops: 0 } },
};

type FadeKind = 'none' | 'linear' | 'radial';

function CropAndFade({ picture }: { picture: Picture }) {
  const { fade } = picture;
  const crop: Crop = picture.outline ? 'own' : (picture.form?.kind ?? 'frame');
  const frame = { x: picture.x, y: picture.y, width: picture.width, height: picture.height };
  function chooseFade(kind: FadeKind): void {
    const middle = middleOf(frame);
    const place =
      kind === 'radial'
        ? placeBetween(middle, { x: middle.x + Math.max(frame.width, frame.height) / 2, y: middle.y }, frame)
        : placeAtAngle(90, frame);
    act('Fade', (job) => setFade(job, picture.id, kind === 'none' ? undefined : { kind, place }));
  }
  return (
    <Fold title="Crop and fade" inUse={crop !== 'frame' || fade !== undefined}>
      <Choice<Crop>
        label="Cropped by"
        value={crop}
        options={[
          ['frame', 'Cropped by its frame'],
          ['ellipse', 'Cropped by an ellipse'],
          ['polygon', 'Cropped by a polygon'],
          ['star', 'Cropped by a star'],
          ['blot', 'Cropped by a blot'],
          ...(crop === 'own' ? [['own', 'Cropped by a drawn shape'] as const] : []),
        ]}
        onChange={(to) => to !== 'own' && act('Crop', (job) => setCrop(job, picture.id, CROPS[to]))}
      />
      <p className="quiet text-[13px]">Any shape can crop it: select both, then “Crop by the shape”.</p>
      <Choice<FadeKind>
        label="Fades"
        value={fade?.kind ?? 'none'}
        options={[
          ['none', 'Does not fade'],
          ['linear', 'Fades to paper along a line'],
          ['radial', 'Fades to paper from its middle'],
        ]}
        onChange={chooseFade}
      />
      {fade && <p className="quiet text-[13px]">Drag where it begins and ends on the piece.</p>}
    </Fold>
  );
}
