import type { PieceUnit } from '../units/length';
import type { Finding } from './check';
import { hasNumbers, limitWords, measureWords } from './measure-words';

/** What a tag on the stage calls a fault, in two words or so, by its check. */
export const TAGS: Readonly<Record<string, string>> = {
  'short-of-bleed': 'Bleed',
  'outside-safe': 'To trim',
  'low-ppi': 'Resolution',
  'hidden-words': 'Text hidden',
  'past-line': 'Text past path',
  'missing-glyph': 'No such glyph',
  'missing-typeface': 'Typeface missing',
  'not-embeddable': 'No embedding',
  'small-type': 'Type',
  'unreadable-code': 'Code unreadable',
  'placeholder-words': 'Placeholder',
  'typeface-mixture': 'Typefaces',
  'size-mixture': 'Type sizes',
  'almost-aligned': 'Not aligned',
  'stray-plates': 'Extra plates',
  'registration-colour': 'Registration',
  'white-overprint': 'White overprints',
  'rich-black-words': 'Rich black type',
  'knocked-out-black': 'Black knocks out',
  'screened-words': 'Screened type',
  'same-ink': 'Same ink',
  'thin-lines': 'Line',
  'black-areas': 'Black area',
  'out-of-gamut': 'Off colour',
  'empty-detail': 'Detail empty',
  'logo-small': 'Logo',
  'logo-crowded': 'Logo crowded',
  'keep-clear': 'Keep clear',
  'unprintable-margin': 'Printer margin',
  'laser-letterhead': 'Laser printer',
  'across-fold': 'Across fold',
  'dense-fold': 'Ink on fold',
  'inks-meet': 'Inks meet',
  'fold-grain': 'Grain',
  'solid-by-fold': 'Solid at fold',
  'edges-unlike': 'Edges differ',
  'fold-score': 'Score needed',
  'tuck-tight': 'Tucked panel',
  'post-size': 'Postal rules',
  'back-turn': 'Turn to back',
  'behind-window': 'Behind window',
  'letter-would-print': 'Sample prints',
  'sliver-inside': 'Sliver',
  'background-gap': 'Bare paper',
  'frame-near-trim': 'Frame',
  'frame-uneven': 'Margins differ',
  'off-face': 'Off the piece',
  'placed-colours': 'Page colours',
  'placed-detail': 'Placed page',
  'size-not-offered': 'Size not cut',
  'empty-face': 'Side empty',
  'corner-cut': 'Corner cuts',
  'missing-picture': 'Picture missing',
  'upscaled-picture': 'Upscaled',
  'stretched-picture': 'Stretched',
  'heavy-picture': 'Too many pixels',
  'line-art-ppi': 'Resolution',
  'rgb-picture': 'Screen colours',
  'jpeg-quality': 'JPEG',
  'transparent-picture': 'See-through',
  'see-through': 'See-through',
  'double-space': 'Double space',
  'typewriter-quotes': 'Straight quotes',
  'hyphen-for-dash': 'Hyphen',
  'tight-tracking': 'Tracking',
  'long-lines': 'Long lines',
  'detail-typed': 'Not quoted',
  'detail-differs': 'Detail differs',
  'near-inks': 'Inks alike',
  'tint-light': 'Tint',
  'tint-dark': 'Tint',
  'shop-plates': 'Not printed',
  'empty-frame': 'Frame empty',
  invisible: 'Invisible',
  doubled: 'Doubled',
  'hidden-left': 'Hidden',
  'locked-left': 'Locked',
  'sample-left': 'Sample',
  covered: 'Covered',
  speck: 'Speck',
  'code-small': 'Module',
  'code-inks': 'Code plates',
  'code-at-edge': 'Code to trim',
  'near-fold': 'To fold',
  'near-sizes': 'Sizes alike',
  'near-piece-sizes': 'Sizes alike',
  'logo-altered': 'Logo altered',
  'logo-versions': 'Logo versions',
  'die-cuts': 'To die line',
  'die-bleed': 'Die bleed',
  'die-form': 'Die line',
  'tool-through': 'Tool through',
  'finish-thin': 'Too thin',
  'finish-close': 'Gap',
  'finish-edge': 'Finish to edge',
  'varnish-register': 'Varnish',
  'glue-covered': 'On glue',
  'white-under': 'Stock not white',
  'empty-finish': 'Finish empty',
  'total-ink': 'Total ink',
  'faint-words': 'Contrast',
  'faint-logo': 'Logo contrast',
};

/** A fault in two words with its number, for a tag: `Bleed 0 of 3 mm`, `Total ink 320 %, max 300 %`. */
export function tagWords(finding: Finding, unit: PieceUnit): string {
  const { check, measured, wanted, problem } = finding;
  const name = TAGS[check] ?? problem;
  if (!hasNumbers(finding)) return name;
  // Both are of one scale, which its own name tells.
  if (wanted.kind === 'lightness') return `${name} ${Math.floor(measured.value)} of ${Math.floor(wanted.value)}`;
  const isOutside = measured.kind === 'length' && measured.value < 0;
  const is = measureWords(isOutside ? { ...measured, value: -measured.value } : measured, unit);
  if (wanted.value === 0 || wanted.kind === 'ratio') return `${name} ${is}`;
  const needs = limitWords(wanted, unit);
  if (measured.value > wanted.value) return `${name} ${is}, max ${needs}`;
  if (isOutside) return `${name} ${is} outside`;
  const sign = needs.replace(/^[−\d./ ⁄]+/, '');
  const bare = sign !== '' && is.endsWith(sign) ? is.slice(0, -sign.length).trim() : is;
  return `${name} ${bare} of ${needs}`;
}
