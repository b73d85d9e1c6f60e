import {
  PDFArray,
  type PDFContext,
  PDFDict,
  PDFDocument,
  PDFHeader,
  PDFHexString,
  PDFName,
  PDFNumber,
  PDFRawStream,
  PDFString,
  PDFWriter,
} from '@cantoo/pdf-lib';
import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { parsePdf } from '../../../../core/files/pdf/parsed/file';
import { Reader, SyntaxFault } from '../../../../core/files/pdf/parsed/syntax';
import { RULES, rulesOf, type Standard, verify } from '../../../../core/files/pdf/rules';
import { writePdf } from '../../../../core/files/pdf/write';
import { makePicture, makeShape, makeWords } from '../../../../core/job/make';
import { shopOf } from '../../../../core/trade/shops';
import { cardWith, kit, makePng, withPicture } from '../../../kit';

const CONTENT = makePng(8, 8, (x, y) => [x * 30, y * 30, 90]);

async function sample(standard: Standard): Promise<Uint8Array> {
  const { job, assets, hash } = withPicture(cardWith([]), CONTENT);
  const elements = [
    makeShape({ id: 'a', x: 20, y: 20, width: 40, height: 20, paint: { ink: 'copper', tint: 0.5 } }),
    makeWords({ id: 'w', text: 'Iris Calloway', x: 20, y: 60 }),
    makePicture({ id: 'p', x: 70, y: 70, width: 20, height: 20, asset: hash }),
    { ...makeShape({ id: 'o', x: 90, y: 20, width: 9, height: 9 }), overprint: 'overprints' as const },
  ];
  const piece = job.pieces[0]!;
  const dressed = { ...job, pieces: [{ ...piece, faces: [{ ...piece.faces[0]!, elements }] }] };
  const shop = shopOf('metric-offset');
  return writePdf(
    dressed,
    { pieceId: piece.id, shop, marks: true, standard },
    { ...kit, press: kit.press(shop.condition), assets },
  );
}

/** A written file, taken apart so that one thing in it can be spoilt. */
interface Parts {
  context: PDFContext;
  catalog: PDFDict;
  page: PDFDict;
  info: PDFDict;
  intent: PDFDict;
  resources: PDFDict;
  /** The first stream or dictionary of a kind, by a key and its name. */
  find(key: string, name: string): PDFDict;
  /** Adds operators to the end of the page. */
  draw(operators: string): void;
  /** Adds something to the page's resources. */
  give(category: string, key: string, value: unknown): void;
}

async function spoilt(bytes: Uint8Array, spoil: (parts: Parts) => void): Promise<Uint8Array> {
  const document = await PDFDocument.load(bytes, { updateMetadata: false });
  const { context } = document;
  const page = document.getPages()[0]!.node;
  const resources = page.lookup(PDFName.of('Resources'), PDFDict);
  const version = new TextDecoder().decode(bytes.subarray(5, 8)).split('.').map(Number) as [number, number];
  context.header = PDFHeader.forVersion(...version);
  const name = (text: string): PDFName => PDFName.of(text);
  spoil({
    context,
    catalog: document.catalog,
    page,
    info: context.lookup(context.trailerInfo.Info, PDFDict),
    intent: document.catalog.lookup(name('OutputIntents'), PDFArray).lookup(0, PDFDict),
    resources,
    find(key, wanted) {
      for (const [, object] of context.enumerateIndirectObjects()) {
        const dict = object instanceof PDFRawStream ? object.dict : object;
        if (dict instanceof PDFDict && dict.get(name(key)) === name(wanted)) return dict;
      }
      throw new Error(`nothing with ${key} ${wanted}`);
    },
    draw(operators) {
      const more = context.register(PDFRawStream.of(context.obj({ Length: operators.length }), latin(operators)));
      page.set(name('Contents'), context.obj([page.get(name('Contents'))!, more]));
    },
    give(category, key, value) {
      const list = resources.lookupMaybe(name(category), PDFDict) ?? context.obj({});
      list.set(name(key), context.obj(value as never));
      resources.set(name(category), list);
    },
  });
  return PDFWriter.forContext(context, Number.POSITIVE_INFINITY).serializeToBuffer();
}

const latin = (text: string): Uint8Array => Uint8Array.from(text, (c) => c.charCodeAt(0));
const n = (text: string): PDFName => PDFName.of(text);
const RGB = ['ICCBased'];

type Spoil = (parts: Parts) => void;
const state =
  (entries: Record<string, unknown>): Spoil =>
  ({ give, draw }) => {
    give('ExtGState', 'Bad', entries);
    draw('/Bad gs');
  };
const drop =
  (of: 'info' | 'intent' | 'page' | 'catalog', key: string): Spoil =>
  (parts) => {
    parts[of].delete(n(key));
  };
const xmpWith =
  (part: RegExp, instead = ''): Spoil =>
  ({ context, catalog }) => {
    const stream = catalog.lookup(n('Metadata')) as PDFRawStream;
    const text = new TextDecoder().decode(stream.contents).replace(part, instead);
    catalog.set(
      n('Metadata'),
      context.register(PDFRawStream.of(context.obj({ Type: 'Metadata', Length: latin(text).length }), latin(text))),
    );
  };
const profileWith =
  (change: (bytes: Uint8Array) => void): Spoil =>
  ({ context, intent }) => {
    const bytes = kit.press('general-coated').profile.slice();
    change(bytes);
    intent.set(
      n('DestOutputProfile'),
      context.register(PDFRawStream.of(context.obj({ N: 4, Length: bytes.length }), bytes)),
    );
  };
const put = (at: number, word: string) => (bytes: Uint8Array) => bytes.set(latin(word), at);

const text = (words: string): PDFString => PDFString.of(words);
const layers =
  (properties: unknown): Spoil =>
  ({ catalog, context }) =>
    catalog.set(n('OCProperties'), context.obj(properties as never));
/** A layer that says it is a processing step, with something drawn on it. */
const step =
  (metadata: Record<string, string>, drawn = ''): Spoil =>
  ({ catalog, context, give, draw }) => {
    const ref = context.register(context.obj({ Type: 'OCG', Name: text('a'), GTS_Metadata: metadata } as never));
    catalog.set(n('OCProperties'), context.obj({ OCGs: [ref], D: { Name: text('a') } } as never));
    give('Properties', 'Bad', ref);
    draw(`/OC /Bad BDC ${drawn} EMC`);
  };
/** An annotation whose corners both are so many points from the corner of the sheet. */
const noteAt =
  (kind: string, from: number, to = from + 5): Spoil =>
  ({ page, context }) =>
    page.set(n('Annots'), context.obj([{ Subtype: kind, Rect: [from, from, to, to] }] as never));

/** One thing that each rule is there for. */
const BREAKS: readonly [rule: string, standard: Standard, what: string, spoil: Spoil][] = [
  ['version', 'PDF/X-1a:2001', 'PDF 1.4', ({ context }) => (context.header = PDFHeader.forVersion(1, 4))],
  ['version', 'PDF/X-4', 'PDF 1.7', ({ context }) => (context.header = PDFHeader.forVersion(1, 7))],
  ['id', 'PDF/X-4', 'no ID', ({ context }) => (context.trailerInfo.ID = context.obj([]))],
  ['not-encrypted', 'PDF/X-4', 'a password', ({ context }) => (context.trailerInfo.Encrypt = context.obj({ V: 1 }))],
  ['info', 'PDF/X-1a:2003', 'no title', drop('info', 'Title')],
  ['dates', 'PDF/X-4', 'a date in words', ({ info }) => info.set(n('ModDate'), PDFString.of('yesterday'))],
  ['trapped', 'PDF/X-1a:2001', 'nothing said', drop('info', 'Trapped')],
  ['trapped', 'PDF/X-1a:2003', 'unknown', ({ info }) => info.set(n('Trapped'), n('Unknown'))],
  [
    'info-version',
    'PDF/X-1a:2003',
    'another standard',
    ({ info }) => info.set(n('GTS_PDFXVersion'), PDFString.of('PDF/X-3:2003')),
  ],
  ['info-conformance', 'PDF/X-1a:2001', 'nothing said', drop('info', 'GTS_PDFXConformance')],
  ['xmp-version', 'PDF/X-4', 'nothing said', xmpWith(/<pdfxid:.*>/)],
  ['xmp-version', 'PDF/X-4', 'no packet', drop('catalog', 'Metadata')],
  ['xmp-identity', 'PDF/X-4', 'no version', xmpWith(/<xmpMM:VersionID>.*>/)],
  ['xmp-identity', 'PDF/X-4', 'no title', xmpWith(/<dc:title>.*>/)],
  ['xmp-sound', 'PDF/X-4', 'a tag that is not closed', xmpWith(/<\/pdf:Trapped>/)],
  ['xmp-sound', 'PDF/X-4', 'a document type', xmpWith(/<x:xmpmeta/, '<!DOCTYPE x [<!ENTITY a "b">]><x:xmpmeta')],
  ['xmp-agrees', 'PDF/X-4', 'another title', ({ info }) => info.set(n('Title'), PDFHexString.fromText('Other'))],
  ['xmp-agrees', 'PDF/X-4', 'made a second later', xmpWith(/(<xmp:CreateDate>)[^<]*/, '$12031-01-01T00:00:01Z')],
  [
    'xmp-agrees',
    'PDF/X-4',
    'changed at another hour',
    ({ info }) => info.set(n('ModDate'), PDFString.of("D:20310101000000+01'00")),
  ],
  ['xmp-agrees', 'PDF/X-4', 'trapped after all', xmpWith(/(<pdf:Trapped>)False/, '$1True')],
  ['xmp-agrees', 'PDF/X-4', 'another program', xmpWith(/(<pdf:Producer>)[^<]*/, '$1Another')],
  ['one-intent', 'PDF/X-4', 'none', ({ catalog, context }) => catalog.set(n('OutputIntents'), context.obj([]))],
  ['condition', 'PDF/X-4', 'no name', drop('intent', 'OutputConditionIdentifier')],
  ['condition-told', 'PDF/X-1a:2001', 'nothing told', drop('intent', 'Info')],
  ['condition-told', 'PDF/X-4', 'no profile', drop('intent', 'DestOutputProfile')],
  [
    'condition-told',
    'PDF/X-4',
    'no profile, as one of a registry',
    (parts) => {
      parts.intent.set(n('RegistryName'), PDFString.of('http://www.color.org'));
      drop('intent', 'DestOutputProfile')(parts);
    },
  ],
  ['profile', 'PDF/X-4', 'a monitor’s', profileWith(put(12, 'mntr'))],
  ['profile', 'PDF/X-4', 'of RGB', profileWith(put(16, 'RGB '))],
  ['profile', 'PDF/X-4', 'no profile at all', profileWith(put(36, 'nope'))],
  ['profile', 'PDF/X-1a:2003', 'of version 4', profileWith((bytes) => bytes.set([4], 8))],
  ['boxes', 'PDF/X-4', 'no trim', drop('page', 'TrimBox')],
  ['boxes', 'PDF/X-4', 'art and trim', ({ page, context }) => page.set(n('ArtBox'), context.obj([9, 9, 20, 20]))],
  [
    'boxes-nest',
    'PDF/X-4',
    'trim outside',
    ({ page, context }) => page.set(n('TrimBox'), context.obj([-9, 9, 90, 90])),
  ],
  [
    'boxes-nest',
    'PDF/X-4',
    'bleed outside',
    ({ page, context }) => page.set(n('BleedBox'), context.obj([-90, -9, 900, 900])),
  ],
  ['annotations-outside', 'PDF/X-4', 'a note', noteAt('Text', 60)],
  ['annotations-outside', 'PDF/X-1a:2001', 'a note that reaches in', noteAt('Link', 1, 60)],
  [
    'annotations-outside',
    'PDF/X-4',
    'a note that is nowhere',
    ({ page, context }) => page.set(n('Annots'), context.obj([{ Subtype: 'Text' }] as never)),
  ],
  [
    'no-actions',
    'PDF/X-4',
    'a script',
    ({ catalog, context }) => catalog.set(n('OpenAction'), context.obj({ S: 'JavaScript' })),
  ],
  ['no-layers', 'PDF/X-1a:2003', 'layers', ({ catalog, context }) => catalog.set(n('OCProperties'), context.obj({}))],
  [
    'no-layer-surprises',
    'PDF/X-4',
    'layers that change',
    ({ catalog, context }) => catalog.set(n('OCProperties'), context.obj({ D: { AS: [], Name: text('a') } } as never)),
  ],
  ['no-layer-surprises', 'PDF/X-4', 'a choice without a name', layers({ D: {} })],
  [
    'no-layer-surprises',
    'PDF/X-4',
    'two of a name',
    layers({ D: { Name: text('a') }, Configs: [{ Name: text('a') }] }),
  ],
  ['no-layer-surprises', 'PDF/X-4', 'no usual one', layers({ Configs: [{ Name: text('a') }] })],
  ['processing-steps', 'PDF/X-4', 'a step of no known group', step({ GTS_ProcStepsGroup: 'Folding' })],
  ['processing-steps', 'PDF/X-4', 'a step without its type', step({ GTS_ProcStepsGroup: 'Structural' })],
  [
    'processing-steps',
    'PDF/X-4',
    'a step in process ink',
    step({ GTS_ProcStepsGroup: 'Varnish' }, '0 0 0 1 k 0 0 9 9 re f'),
  ],
  ['processing-steps', 'PDF/X-4', 'a step that knocks out', step({ GTS_ProcStepsGroup: 'White' }, '0 0 9 9 re f')],
  [
    'all-inside',
    'PDF/X-4',
    'a picture elsewhere',
    ({ find }) => find('Subtype', 'Image').set(n('F'), PDFString.of('a.jpg')),
  ],
  ['no-postscript', 'PDF/X-4', 'PostScript', ({ find }) => find('Subtype', 'Image').set(n('Subtype'), n('PS'))],
  ['no-user-unit', 'PDF/X-4', 'inches', ({ page }) => page.set(n('UserUnit'), PDFNumber.of(72))],
  ['ink-spaces', 'PDF/X-4', 'red, green and blue', ({ draw }) => draw('1 0 0 rg')],
  [
    'ink-spaces',
    'PDF/X-1a:2003',
    'an RGB picture',
    ({ find }) => find('Subtype', 'Image').set(n('ColorSpace'), n('DeviceRGB')),
  ],
  [
    'ink-spaces',
    'PDF/X-1a:2003',
    'a colour by a profile',
    ({ give, draw }) => {
      give('ColorSpace', 'Bad', RGB);
      draw('/Bad cs');
    },
  ],
  [
    'most-inks',
    'PDF/X-1a:2001',
    'nine inks',
    ({ give, context, find }) =>
      give('ColorSpace', 'Bad', [
        'DeviceN',
        context.obj(Array.from({ length: 9 }, (_, i) => `Ink${i}`)),
        'DeviceCMYK',
        find('Type', 'Page'),
      ]),
  ],
  [
    'one-look-an-ink',
    'PDF/X-4',
    'two Coppers',
    ({ give }) => give('ColorSpace', 'Bad', ['Separation', 'Copper', 'DeviceCMYK', { FunctionType: 2, N: 2 }]),
  ],
  [
    'spot-named',
    'PDF/X-4',
    'an ink without',
    ({ give }) => give('ColorSpace', 'Bad', ['Separation', '', 'DeviceCMYK', {}]),
  ],
  ['no-see-through', 'PDF/X-1a:2003', 'an opacity', state({ ca: 0.5 })],
  ['no-see-through', 'PDF/X-1a:2003', 'a mask', state({ SMask: { S: 'Alpha' } })],
  ['no-see-through', 'PDF/X-1a:2003', 'a blend', state({ BM: 'Multiply' })],
  [
    'no-soft-masks',
    'PDF/X-1a:2003',
    'a soft picture',
    ({ find, context }) => find('Subtype', 'Image').set(n('SMask'), context.obj({})),
  ],
  [
    'no-groups',
    'PDF/X-1a:2003',
    'a group',
    ({ page, context }) => page.set(n('Group'), context.obj({ S: 'Transparency' })),
  ],
  ['blends-known', 'PDF/X-4', 'a made-up blend', state({ BM: 'Sparkle' })],
  [
    'group-space',
    'PDF/X-4',
    'a page of RGB',
    ({ page, context }) => page.set(n('Group'), context.obj({ S: 'Transparency', CS: 'DeviceRGB' })),
  ],
  ['no-transfer', 'PDF/X-4', 'a curve', state({ TR: 'Identity' })],
  ['no-transfer', 'PDF/X-4', 'a newer curve', state({ TR2: {} })],
  ['screens-plain', 'PDF/X-4', 'dots of a picture', state({ HT: { HalftoneType: 6 } })],
  [
    'screens-plain',
    'PDF/X-1a:2001',
    'a screen by name',
    state({ HT: { HalftoneType: 1, HalftoneName: text('Fine') } }),
  ],
  [
    'screens-plain',
    'PDF/X-1a:2003',
    'a curve of black',
    state({ HT: { HalftoneType: 5, Black: { HalftoneType: 1, TransferFunction: 'Identity' } } }),
  ],
  [
    'screens-plain',
    'PDF/X-4',
    'dots of a picture for one ink',
    state({ HT: { HalftoneType: 5, Cyan: { HalftoneType: 10 } } }),
  ],
  ['intents-known', 'PDF/X-4', 'a made-up intent', ({ draw }) => draw('/Pretty ri')],
  [
    'fonts-inside',
    'PDF/X-4',
    'a font left out',
    ({ find }) =>
      find('Type', 'FontDescriptor').delete(n('FontFile2')) || find('Type', 'FontDescriptor').delete(n('FontFile3')),
  ],
  [
    'font-programs',
    'PDF/X-1a:2001',
    'a whole OpenType file',
    ({ find }) => find('Subtype', 'Image').set(n('Subtype'), n('OpenType')),
  ],
  ['operators-known', 'PDF/X-4', 'a made-up operator', ({ draw }) => draw('1 2 sparkle')],
  ['names-found', 'PDF/X-4', 'a picture that is not there', ({ draw }) => draw('/Nowhere Do')],
  ['names-found', 'PDF/X-4', 'a font that is not there', ({ draw }) => draw('BT /Nofont 9 Tf ET')],
  ['saved-restored', 'PDF/X-4', 'one saved too many', ({ draw }) => draw('q')],
  ['saved-restored', 'PDF/X-4', 'too deep', ({ draw }) => draw('q '.repeat(30) + 'Q '.repeat(30))],
  ['names-short', 'PDF/X-4', 'a long name', ({ page }) => page.set(n('x'.repeat(130)), n('y'))],
  ['packed-plainly', 'PDF/X-1a:2003', 'LZW', ({ find }) => find('Subtype', 'Image').set(n('Filter'), n('LZWDecode'))],
  [
    'one-picture-each',
    'PDF/X-4',
    'another in its place',
    ({ find, context }) => find('Subtype', 'Image').set(n('Alternates'), context.obj([])),
  ],
  [
    'picture-bits',
    'PDF/X-1a:2003',
    '16 bits',
    ({ find }) => find('Subtype', 'Image').set(n('BitsPerComponent'), PDFNumber.of(16)),
  ],
  [
    'strings-short',
    'PDF/X-4',
    'a very long one',
    ({ draw }) => draw(`/Span <</E (${'a'.repeat(40_000)})>> BDC (${'a'.repeat(40_000)}) ' EMC`),
  ],
];

/** What goes by the rules, though it looks like what does not. */
const HOLDS: readonly [standard: Standard, what: string, spoil: Spoil][] = [
  ['PDF/X-4', 'a printer’s mark outside the bleed', noteAt('PrinterMark', 1)],
  ['PDF/X-1a:2001', 'a trap network', noteAt('TrapNet', 60)],
  [
    'PDF/X-1a:2003',
    'an ArtBox in place of the TrimBox',
    ({ page }) => {
      page.set(n('ArtBox'), page.get(n('TrimBox'))!);
      page.delete(n('TrimBox'));
    },
  ],
  ['PDF/X-4', 'layers with a name', layers({ D: { Name: text('a') }, Configs: [{ Name: text('b') }] })],
  [
    'PDF/X-4',
    'a page that blends in a press’s profile',
    ({ page, context, intent }) =>
      page.set(
        n('Group'),
        context.obj({ S: 'Transparency', CS: ['ICCBased', intent.get(n('DestOutputProfile'))] } as never),
      ),
  ],
  ['PDF/X-4', 'dates in the packet alone', drop('info', 'CreationDate')],
  [
    'PDF/X-4',
    'facts of the packet as attributes',
    xmpWith(
      />\s*<dc:format>[\s\S]*<pdf:Trapped>False<\/pdf:Trapped>\s*<pdfxid:GTS_PDFXVersion>PDF\/X-4<\/pdfxid:GTS_PDFXVersion>\s*<\/rdf:Description>/,
      ` xmpMM:DocumentID="uuid:1" xmpMM:VersionID='1' xmpMM:RenditionClass="default" xmp:CreateDate="2026-03-04T06:06:07+01:00"
       xmp:ModifyDate="2026-03-04T05:06:07Z" xmp:MetadataDate="2031-01-01" pdf:Trapped="False" pdfxid:GTS_PDFXVersion="PDF/X-4">
       <dc:title><rdf:Alt><rdf:li xml:lang="de">Karte</rdf:li><rdf:li xml:lang="x-default">Test job: Card</rdf:li></rdf:Alt></dc:title>
       </rdf:Description>`,
    ),
  ],
  [
    'PDF/X-1a:2003',
    'a profile left out, as one of a registry',
    (parts) => {
      parts.intent.set(n('RegistryName'), PDFString.of('http://www.color.org'));
      drop('intent', 'DestOutputProfile')(parts);
    },
  ],
  [
    'PDF/X-4',
    'screens by angle, with a curve of a spot ink',
    state({ HT: { HalftoneType: 5, Copper: { HalftoneType: 1, TransferFunction: 'Identity' } } }),
  ],
];

describe('the rules of PDF/X', () => {
  const files = new Map<Standard, Uint8Array>();
  beforeAll(async () => {
    for (const standard of ['PDF/X-4', 'PDF/X-1a:2001', 'PDF/X-1a:2003'] as const)
      files.set(standard, await sample(standard));
  });

  it.each(['PDF/X-4', 'PDF/X-1a:2001', 'PDF/X-1a:2003'] as const)(
    'a written %s goes by all of them',
    async (standard) => {
      const bytes = files.get(standard)!;
      expect(verify(bytes, standard).flatMap(({ id, faults }) => faults.map((fault) => `${id}: ${fault}`))).toEqual([]);
      // Taken apart and put together again it still does: what is found below is what was spoilt.
      expect(verify(await spoilt(bytes, () => {}), standard).filter(({ faults }) => faults.length > 0)).toEqual([]);
    },
  );

  it.each(BREAKS)('%s (%s): %s is found', async (rule, standard, _what, spoil) => {
    const bytes = await spoilt(files.get(standard)!, spoil);
    const found = verify(bytes, standard).filter(({ faults }) => faults.length > 0);
    expect(found.map(({ id }) => id)).toContain(rule);
  });

  it.each(HOLDS)('%s: %s is no fault', async (standard, _what, change) => {
    const bytes = await spoilt(files.get(standard)!, change);
    expect(bytes.length).not.toBe((await spoilt(files.get(standard)!, () => {})).length);
    expect(verify(bytes, standard).flatMap(({ id, faults }) => faults.map((fault) => `${id}: ${fault}`))).toEqual([]);
  });

  it('plain-objects: object streams are found', async () => {
    const document = await PDFDocument.load(files.get('PDF/X-1a:2003')!, { updateMetadata: false });
    const packed = await document.save({ useObjectStreams: true });
    expect(parsePdf(packed).packsObjects).toBe(true);
  });

  it('every rule has something that breaks it', () => {
    const broken = new Set([...BREAKS.map(([rule]) => rule), 'plain-objects']);
    expect(RULES.map(({ id }) => id).filter((id) => !broken.has(id))).toEqual([]);
    expect(rulesOf('PDF/X-1a:2001').length).toBeGreaterThan(30);
  });

  it('a file that was damaged on the way is told of, never thrown over', () => {
    const bytes = files.get('PDF/X-4')!;
    fc.assert(
      fc.property(fc.nat(bytes.length - 1), fc.nat(255), fc.boolean(), (at, value, cut) => {
        const damaged = cut ? bytes.slice(0, at) : bytes.slice();
        if (!cut) damaged[at] = value;
        verify(damaged, 'PDF/X-4');
      }),
      { numRuns: 200 },
    );
  });
});

describe('the syntax of PDF', () => {
  const read = (text: string) => new Reader(latin(text)).value();
  it('reads what ISO 32000-1, 7.3 gives as examples', () => {
    expect(read('4.')).toBe(4);
    expect(read('-.002')).toBe(-0.002);
    expect(read('(Strings may contain balanced parentheses ( ) and\\nspecial)')).toMatchObject({
      text: 'Strings may contain balanced parentheses ( ) and\nspecial',
    });
    expect(read('(\\0053)')).toMatchObject({ text: '\x053' });
    expect(read('<901FA>')).toMatchObject({ text: '\x90\x1f\xa0' });
    expect(read('/Lime#20Green')).toMatchObject({ name: 'Lime Green' });
    expect(read('[549 3.14 false (Ralph) /SomeName]')).toHaveLength(5);
    expect(read('<< /Type /Example /Sub << /Item 12 0 R >> >>')).toEqual(
      new Map([
        ['Type', expect.objectContaining({ name: 'Example' })],
        ['Sub', new Map([['Item', expect.objectContaining({ number: 12, generation: 0 })]])],
      ]),
    );
  });
  it.each(['(no end', '<12', '<< /A', '[1 2', '<< 1 2 >>', '[ 1 >>', '<zz>'])('says what is wrong with %s', (text) => {
    expect(() => read(text)).toThrow(SyntaxFault);
  });
});
