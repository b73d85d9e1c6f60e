import type { Element } from '@xmldom/xmldom';
import * as z from 'zod';
import type { Press, Rgb } from '../colour/engine';
import { type Cmyk, type Ink, inkSchema, isSpotName, type Lab } from '../colour/ink';
import { escapeXml, readXml } from './xml';

/** Lists of inks as files: open JSON of our own, and CxF/X (ISO 17972-1; element names from memory of it). */

/** A list that cannot be used; the message says why and what to do. */
export class InkListError extends Error {}

const MOST_BYTES = 5_000_000;
const MOST_INKS = 200;

const listSchema = z.strictObject({
  format: z.literal('tidyedge-inks'),
  version: z.literal(1),
  inks: z.array(inkSchema).min(1).max(MOST_INKS),
});

/** Paper is where nothing prints: no list names it. */
const listed = (inks: readonly Ink[]): Ink[] => inks.filter((ink) => ink.id !== 'paper');

export const writeInkList = (inks: readonly Ink[]): string =>
  `${JSON.stringify({ format: 'tidyedge-inks', version: 1, inks: listed(inks) }, null, 1)}\n`;

const number = (n: number): string => `${Math.round(n * 100) / 100}`;
const NAMESPACE = 'http://colorexchangeformat.com/CxF3-core';

/** The inks as CxF: each with what it measures and with its CMYK percents. `date` as ISO 8601. */
export function writeCxf(inks: readonly Ink[], press: Press, date: string): string {
  const objects = listed(inks).map((ink, i) => {
    const [l, a, b] = ink.lab ?? press.lab(ink.cmyk);
    const [c, m, y, k] = ink.cmyk.map((amount) => number(amount * 100));
    return `   <cc:Object Id="o${i + 1}" Name="${escapeXml(ink.name)}" ObjectType="${ink.kind === 'spot' ? 'Spot' : 'Process'}">
    <cc:CreationDate>${date}</cc:CreationDate>
    <cc:ColorValues>
     <cc:ColorCIELab ColorSpecification="D50">
      <cc:L>${number(l)}</cc:L>
      <cc:A>${number(a)}</cc:A>
      <cc:B>${number(b)}</cc:B>
     </cc:ColorCIELab>
    </cc:ColorValues>
    <cc:DeviceColorValues>
     <cc:ColorCMYK ColorSpecification="Press">
      <cc:Cyan>${c}</cc:Cyan>
      <cc:Magenta>${m}</cc:Magenta>
      <cc:Yellow>${y}</cc:Yellow>
      <cc:Black>${k}</cc:Black>
     </cc:ColorCMYK>
    </cc:DeviceColorValues>
   </cc:Object>`;
  });
  return `<?xml version="1.0" encoding="UTF-8"?>
<cc:CxF xmlns:cc="${NAMESPACE}">
 <cc:FileInformation>
  <cc:Creator>Tidy Edge</cc:Creator>
  <cc:CreationDate>${date}</cc:CreationDate>
 </cc:FileInformation>
 <cc:Resources>
  <cc:ObjectCollection>
${objects.join('\n')}
  </cc:ObjectCollection>
  <cc:ColorSpecificationCollection>
   <cc:ColorSpecification Id="D50">
    <cc:TristimulusSpec>
     <cc:Illuminant>D50</cc:Illuminant>
     <cc:Observer>2_Degree</cc:Observer>
    </cc:TristimulusSpec>
   </cc:ColorSpecification>
   <cc:ColorSpecification Id="Press">
    <cc:PhysicalAttributes>
     <cc:Application>${escapeXml(press.condition.name)}</cc:Application>
    </cc:PhysicalAttributes>
   </cc:ColorSpecification>
  </cc:ColorSpecificationCollection>
 </cc:Resources>
</cc:CxF>
`;
}

/** Numbers of some child elements by their names, all or none. */
function numbersIn(of: Element, names: readonly string[]): number[] | undefined {
  const values = names.map((name) => {
    const found = [...of.getElementsByTagName('*')].find((each) => each.localName === name);
    return found ? Number(found.textContent) : Number.NaN;
  });
  return values.every(Number.isFinite) ? values : undefined;
}

const clamp = (n: number, least: number, most: number): number => Math.min(most, Math.max(least, n));

/** One object of a CxF file as an ink; undefined where it has none of the values that can be used. */
function inkFrom(object: Element, index: number, press: Press): Ink | undefined {
  const child = (name: string): Element | undefined =>
    [...object.getElementsByTagName('*')].find((each) => each.localName === name);
  const [cmykOf, labOf, rgbOf] = [child('ColorCMYK'), child('ColorCIELab'), child('ColorSRGB')];
  const percents = cmykOf && numbersIn(cmykOf, ['Cyan', 'Magenta', 'Yellow', 'Black']);
  const measured = labOf && numbersIn(labOf, ['L', 'A', 'B']);
  const screen = rgbOf && numbersIn(rgbOf, ['R', 'G', 'B']);
  const rgb = screen?.map((n) => clamp(Math.round(n), 0, 255)) as Rgb | undefined;
  const lab = measured
    ? ([clamp(measured[0]!, 0, 100), clamp(measured[1]!, -128, 128), clamp(measured[2]!, -128, 128)] as Lab)
    : rgb && press.labOfScreen(rgb);
  const cmyk = percents
    ? (percents.map((n) => clamp(n / 100, 0, 1)) as Cmyk)
    : measured
      ? press.separateLab(lab!)
      : rgb && press.separate(rgb);
  if (!cmyk) return undefined;
  const name = (object.getAttribute('Name') ?? '').trim().slice(0, 80) || `Ink ${index + 1}`;
  const process = object.getAttribute('ObjectType') === 'Process' || !isSpotName(name);
  return { id: `cxf-${index + 1}`, name, kind: process ? 'process' : 'spot', cmyk, ...(lab ? { lab } : {}) };
}

function readCxf(text: string, press: Press): InkListRead {
  if (/<!DOCTYPE|<!ENTITY/i.test(text))
    throw new InkListError(
      'This file defines a document type, which a list of inks never needs. Ask for a plain CxF file.',
    );
  const document = readXml(text);
  if (document?.documentElement?.localName !== 'CxF')
    throw new InkListError('This is no list of inks, or it is damaged. Choose a .json of Tidy Edge or a .cxf file.');
  const objects = [...document.getElementsByTagName('*')].filter((each) => each.localName === 'Object');
  if (objects.length > MOST_INKS)
    throw new InkListError(
      `This file has ${objects.length} colours; a job has up to ${MOST_INKS}. Choose a smaller one.`,
    );
  const read = objects.map((object, i) => ({
    ink: inkFrom(object, i, press),
    name: object.getAttribute('Name') ?? '',
  }));
  const inks = read.flatMap(({ ink }) => (ink ? [ink] : []));
  if (inks.length === 0)
    throw new InkListError('No colour in this file has CMYK, L*a*b* or sRGB values. Ask for a file that has them.');
  return { inks, left: read.flatMap(({ ink, name }) => (ink ? [] : [name || 'a colour without a name'])) };
}

/** Inks of a list; `left` names what had no values that can be used. */
export interface InkListRead {
  inks: Ink[];
  left: string[];
}

/**
 * Reads a list of inks: JSON of Tidy Edge, or CxF. Throws InkListError with words for the user.
 */
export function readInkList(bytes: Uint8Array, press: Press): InkListRead {
  if (bytes.length > MOST_BYTES) throw new InkListError('This file is too large for a list of inks (over 5 MB).');
  const text = new TextDecoder().decode(bytes).replace(/^\uFEFF/, '');
  if (!text.trimStart().startsWith('{')) return readCxf(text, press);
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    throw new InkListError('This list of inks is damaged. Get it again from where it came from.');
  }
  const read = listSchema.safeParse(json);
  if (!read.success)
    throw new InkListError('This file is no list of inks of Tidy Edge. Choose one that was saved here.');
  const bad = read.data.inks.find((ink) => ink.kind === 'spot' && !isSpotName(ink.name));
  if (bad) throw new InkListError(`${bad.name} cannot name a spot ink. Rename it in the file.`);
  return { inks: listed(read.data.inks), left: [] };
}
