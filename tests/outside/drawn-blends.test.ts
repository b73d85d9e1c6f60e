import { afterAll, describe, it } from 'vitest';
import { form, page } from './page-by-hand';
import { expectPlates } from './plates-of-page';
import { tidyUp } from './tools';

afterAll(tidyUp);

/** Blends and soft masks of others' files (ISO 32000-1, 11.3.5 and 11.6.5.3) are laid on the plates as Ghostscript lays them. */

const MODES = [
  'Multiply',
  'Screen',
  'Overlay',
  'Darken',
  'Lighten',
  'ColorDodge',
  'ColorBurn',
  'HardLight',
  'SoftLight',
  'Difference',
  'Exclusion',
];

const GROUND = '0.2 0.6 0.1 0.3 k 0 0 220 60 re f';
/** A bar for each mode, half of it on the ground and half on bare paper. */
const bars = MODES.map((_, i) => `/B${i} gs 0.5 0.25 0.7 0.1 k ${10 + i * 18} 20 14 80 re f`).join('\n');
const states = (more = ''): string =>
  `/ExtGState<<${MODES.map((mode, i) => `/B${i}<</BM/${mode}${more}>>`).join('')}/None<</BM/Normal>>>>`;

const IN_GROUP = '/Multiply gs 0.5 0.25 0.7 0.1 k 60 20 90 80 re f';
const GROUPED = '/ExtGState<</Multiply<</BM/Multiply>>>>';

const MASK = '0 g 0 0 220 120 re f 0.25 g 10 10 60 100 re f 0.75 g 80 10 60 100 re f 1 g 150 40 50 40 re f';
const masked = (more = ''): string => `/ExtGState<</M<</SMask<</S/Luminosity/G 5 0 R${more}>>>>/Off<</SMask/None>>>>`;
const MASK_GROUP = '/Group<</S/Transparency/CS/DeviceGray/I true>>';

/** Blends of whole colours, each on three grounds of its own. */
const COLOUR_MODES = ['Hue', 'Saturation', 'Color', 'Luminosity'];
const colourBars = COLOUR_MODES.map((_, i) => `/B${i} gs 0.5 0.25 0.7 0.1 k ${10 + i * 50} 10 40 100 re f`).join('\n');
const GROUNDS = `${GROUND} 0.9 0.1 0 0 k 0 60 220 25 re f 0 0 0.5 0.6 k 0 85 220 15 re f`;
const colourStates = `/ExtGState<<${COLOUR_MODES.map((mode, i) => `/B${i}<</BM/${mode}>>`).join('')}>>`;

const calculation = (entries: string, program: string): string =>
  `<</FunctionType 4${entries}/Length ${program.length + 4}>>stream\n{ ${program} }\nendstream`;

const CASES: Readonly<Record<string, Uint8Array>> = {
  'every blend, on ink and on paper': page(`${GROUND}\n${bars}`, states()),
  'every blend, seen through by half': page(`${GROUND}\n${bars}`, states('/ca 0.5')),
  'every blend of whole colours': page(`${GROUNDS}\n${colourBars}`, colourStates),
  'a blend in a group that knows what is below': page(`${GROUND} /G Do`, '/XObject<</G 5 0 R>>', [
    form(IN_GROUP, `/Group<</S/Transparency>>/Resources<<${GROUPED}>>`),
  ]),
  'a blend in a group by itself': page(`${GROUND} /G Do`, '/XObject<</G 5 0 R>>', [
    form(`0 0.4 0 0 k 60 20 40 80 re f ${IN_GROUP}`, `/Group<</S/Transparency/I true>>/Resources<<${GROUPED}>>`),
  ]),
  'a group that is blended as a whole': page(`${GROUND} /Multiply gs /G Do`, `${GROUPED}/XObject<</G 5 0 R>>`, [
    form('0.4 0 0 0 k 60 20 60 80 re f 0 0.4 0 0 k 90 30 60 60 re f', '/Group<</S/Transparency/I true>>'),
  ]),
  'the light of a drawing as a mask': page(`${GROUND} /M gs 0.5 0.25 0.7 0.1 k 5 5 210 110 re f`, masked(), [
    form(MASK, MASK_GROUP),
  ]),
  'a mask that a calculation turns over': page(
    `${GROUND} /M gs 0.5 0.25 0.7 0.1 k 5 5 210 110 re f`,
    masked('/TR 6 0 R'),
    [form(MASK, MASK_GROUP), calculation('/Domain[0 1]/Range[0 1]', '1 exch sub')],
  ),
  'a gradient that is calculated, seen through': page(
    `${GROUND} /Half gs 10 10 200 100 re W n /S sh`,
    '/ExtGState<</Half<</ca 0.5>>>>/Shading<</S<</ShadingType 2/ColorSpace/DeviceCMYK/Coords[10 0 210 0]/Function 5 0 R>>>>',
    [calculation('/Domain[0 1]/Range[0 1 0 1 0 1 0 1]', 'dup 0.5 gt { 1 exch sub } if dup 2 mul exch 0 exch 0.2')],
  ),
  'a mask on a ground that is light': page(`/M gs 0.5 0.25 0.7 0.1 k 5 5 210 110 re f`, masked('/BC[1]'), [
    form('0 g 40 30 60 60 re f', MASK_GROUP),
  ]),
  'a mask that is moved with what it is set in': page(
    `${GROUND} q 0.5 0 0 0.5 40 20 cm /M gs 0.5 0.25 0.7 0.1 k 0 0 220 120 re f Q`,
    masked(),
    [form(MASK, MASK_GROUP)],
  ),
  'how much a drawing covers as a mask': page(
    `${GROUND} /M gs 0.5 0.25 0.7 0.1 k 5 5 210 110 re f`,
    masked().replace('/Luminosity', '/Alpha'),
    [
      form(
        '0 g 10 10 60 100 re f /Half gs 1 g 80 10 60 100 re f',
        `${MASK_GROUP}/Resources<</ExtGState<</Half<</ca 0.4>>>>>>`,
      ),
    ],
  ),
  'a shadow: black, multiplied through a mask, below what casts it': page(
    `${GROUND} q /M gs /Multiply gs 0 0 0 1 k 5 5 210 110 re f Q 0 0.8 0.9 0 k 90 50 60 50 re f`,
    masked().replace('>>>>/Off', '>>>>/Multiply<</BM/Multiply/ca 0.6>>/Off'),
    [form(MASK, MASK_GROUP)],
  ),
};

describe('what others make see-through', () => {
  it.each(Object.entries(CASES))('%s', async (name, bytes) => {
    await expectPlates(name, bytes);
  });
});
