import type { ReactNode } from 'react';
import {
  type HandOffSettings,
  marksFor,
  SETTING_WORDS,
  type SettingName,
  settingsOf,
} from '../../../core/files/hand-off/settings';
import { FURTHER_MARKS } from '../../../core/scene/marks';
import { OFFICE_SHEETS, type OfficeSheet } from '../../../core/scene/office-sheet';
import { type ShopSpec, STANDARDS } from '../../../core/trade/schema';
import { Choice } from '../../parts/Choice';
import { LengthField } from '../../parts/LengthField';
import { NumberField } from '../../parts/NumberField';
import { Tick } from '../../parts/Tick';

interface RowsProps {
  shop: ShopSpec;
  changes: Partial<HandOffSettings>;
  onChange(changes: Partial<HandOffSettings>): void;
}

const FURTHER_WORDS = { registration: 'Registration marks', 'colour bar': 'Colour bar', slug: 'Slug line' } as const;
const QUALITY = { least: 30, most: 100, usual: 90 };
const PPI = { least: 72, most: 2400 };

/** Points. */
const MARK_LIMITS = { length: [1, 144], offset: [0, 72], weight: [0.1, 2] } as const;

/** Every setting as the shop asks it, each to be changed, with why it matters. */
export function SettingRows({ shop, changes, onChange }: RowsProps) {
  const now = { ...settingsOf(shop), ...changes };
  const put = (part: Partial<HandOffSettings>): void => onChange({ ...changes, ...part });
  const asAsked = (name: SettingName): void => {
    const { [name]: _dropped, ...rest } = changes;
    onChange(rest);
  };
  const fields: Readonly<Record<SettingName, ReactNode>> = {
    standard: (
      <Choice label="Standard" value={now.standard} options={STANDARDS} onChange={(standard) => put({ standard })} />
    ),
    marks: (
      <Tick checked={now.marks} onChange={(marks) => put({ marks })}>
        Crop marks, outside the bleed
      </Tick>
    ),
    markStyle: (
      <div className="grid grid-cols-2 gap-2">
        {(['length', 'offset', 'weight'] as const).map((part) => (
          <LengthField
            key={part}
            label={part[0]!.toUpperCase() + part.slice(1)}
            value={now.markStyle[part]}
            unit={part === 'weight' ? 'pt' : shop.unit}
            echo={part === 'weight' ? shop.unit : 'pt'}
            least={MARK_LIMITS[part][0]}
            most={MARK_LIMITS[part][1]}
            onChange={(to) => put({ markStyle: { ...now.markStyle, [part]: to } })}
          />
        ))}
      </div>
    ),
    also: (
      <div className="flex flex-wrap gap-x-4 gap-y-1">
        {marksFor(now.office).map((mark) => (
          <Tick
            key={mark}
            checked={now.also.includes(mark)}
            onChange={(on) => put({ also: FURTHER_MARKS.filter((m) => (m === mark ? on : now.also.includes(m))) })}
          >
            {FURTHER_WORDS[mark]}
          </Tick>
        ))}
      </div>
    ),
    words: (
      <Tick checked={now.words === 'outlines'} onChange={(on) => put({ words: on ? 'outlines' : 'text' })}>
        Text as outlines
      </Tick>
    ),
    fewer: (
      <div className="grid gap-1.5">
        <Tick
          checked={now.fewer !== 'as they are'}
          onChange={(on) => put({ fewer: on ? { above: shop.limits.heavy, to: shop.ppi.wanted } : 'as they are' })}
        >
          Make them smaller
        </Tick>
        {now.fewer !== 'as they are' && (
          <div className="grid grid-cols-2 gap-2">
            <NumberField
              label="above, ppi"
              value={now.fewer.above}
              least={PPI.least}
              most={PPI.most}
              onChange={(above) => now.fewer !== 'as they are' && put({ fewer: { ...now.fewer, above } })}
            />
            <NumberField
              label="to, ppi"
              value={now.fewer.to}
              least={PPI.least}
              most={PPI.most}
              onChange={(to) => now.fewer !== 'as they are' && put({ fewer: { ...now.fewer, to } })}
            />
          </div>
        )}
      </div>
    ),
    packing: (
      <div className="grid gap-1.5">
        <Choice
          label="Compression of pictures"
          value={now.packing === 'without loss' ? 'without loss' : 'jpeg'}
          options={[
            ['without loss', 'Lossless'],
            ['jpeg', 'JPEG'],
          ]}
          onChange={(to) => put({ packing: to === 'jpeg' ? QUALITY.usual : 'without loss' })}
        />
        {now.packing !== 'without loss' && (
          <NumberField
            label="Quality"
            value={now.packing}
            least={QUALITY.least}
            most={QUALITY.most}
            onChange={(packing) => put({ packing })}
          />
        )}
      </div>
    ),
    files: (
      <Choice
        label="Files"
        value={now.files}
        options={[
          ['one', 'One file, a page a side'],
          ['one a face', 'One file a side'],
        ]}
        onChange={(files) => put({ files })}
      />
    ),
    fileName: (
      <label className="grid gap-1">
        <input
          className="input input-sm w-full font-mono text-[13px]"
          aria-label="Names of the files"
          value={now.fileName}
          maxLength={120}
          onChange={(event) => put({ fileName: event.target.value })}
        />
        <span className="quiet text-[13px]">{'{client} {piece} {size} {face} {date} {version}'}</span>
      </label>
    ),
    finishing: (
      <Choice
        label="Finishing comes as"
        value={now.finishing}
        options={[
          ['layers', 'Layers of the pages'],
          ['pages', 'Pages of their own'],
          ['files', 'Files of their own'],
        ]}
        onChange={(finishing) => put({ finishing })}
      />
    ),
    office: (
      <Choice
        label="The sheet"
        value={now.office}
        options={[
          ['its own', 'A sheet of its own, for the shop'],
          ...(Object.keys(OFFICE_SHEETS) as OfficeSheet[]).map(
            (sheet) => [sheet, `${sheet}, for your own printer and guillotine`] as const,
          ),
        ]}
        onChange={(office) => put({ office })}
      />
    ),
  };
  return (
    <dl className="grid gap-4">
      {(Object.keys(fields) as SettingName[]).map((name) => (
        <div key={name} className="grid gap-1">
          <dt className="flex items-baseline gap-2 font-semibold text-[14px]">
            {SETTING_WORDS[name].says}
            {name in changes && (
              <button
                type="button"
                className="ml-auto font-normal text-[13px] underline"
                aria-label={`${SETTING_WORDS[name].says} as the shop asks`}
                onClick={() => asAsked(name)}
              >
                as the shop asks
              </button>
            )}
          </dt>
          <dd>{fields[name]}</dd>
          <dd className="quiet text-[13px] leading-snug">{SETTING_WORDS[name].why}</dd>
        </div>
      ))}
    </dl>
  );
}
