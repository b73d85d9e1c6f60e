/** Drawings made for the reader of SVG: what Chromium shows of each is what our own road must show of it. */

const ns = 'xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink"';
const box = (inner: string, more = ''): string =>
  `<svg ${ns} width="200" height="160" viewBox="0 0 200 160" ${more}>${inner}</svg>`;

const STAR = 'M100 20L120 75L178 75L130 108L148 150L100 122L52 150L70 108L22 75L80 75Z';
const PENTAGRAM = 'M100 15L142 145L30 62L170 62L58 145Z';
const stops = '<stop offset="0" stop-color="#0f4c3a"/><stop offset="1" stop-color="#f4d8a0"/>';
const three =
  '<stop offset="10%" stop-color="red"/><stop offset="50%" stop-color="#ffe000"/><stop offset="0.9" stop-color="rgb(0,80,200)"/>';

export const DRAWINGS: Readonly<Record<string, string>> = {
  'basic shapes': box(
    '<rect x="10" y="10" width="60" height="40" fill="#c33"/><circle cx="120" cy="40" r="30" fill="#39c"/><ellipse cx="60" cy="110" rx="50" ry="25" fill="teal"/><polygon points="130,90 190,90 160,150" fill="goldenrod"/>',
  ),
  'round corners': box(
    '<rect x="10" y="10" width="80" height="60" rx="15" fill="#446"/><rect x="105" y="10" width="80" height="60" rx="30" ry="10" fill="#644"/><rect x="10" y="85" width="80" height="60" ry="25" fill="#464"/><rect x="105" y="85" width="80" height="60" rx="500" fill="#664"/>',
  ),
  'size in millimetres': `<svg ${ns} width="50mm" height="30mm" viewBox="0 0 50 30"><rect width="25" height="30" fill="#284"/><circle cx="37" cy="15" r="10" fill="#842"/></svg>`,
  'size in inches, lengths in points': `<svg ${ns} width="2in" height="1.5in"><rect x="18pt" y="18pt" width="54pt" height="0.5in" fill="navy"/><circle cx="5pc" cy="2.5cm" r="8mm" fill="olive"/></svg>`,
  'no size but a view box': `<svg ${ns} viewBox="0 0 200 160"><path d="${STAR}" fill="#b58"/></svg>`,
  'width alone': `<svg ${ns} width="150" viewBox="0 0 100 80"><rect x="5" y="5" width="90" height="70" fill="#5b8"/></svg>`,
  'view box moved and wide': `<svg ${ns} width="200" height="100" viewBox="-50 -20 100 100"><circle r="30" cy="30" fill="#258"/><rect x="-50" y="-20" width="20" height="100" fill="#852"/></svg>`,
  'view box cut to fill': `<svg ${ns} width="200" height="100" viewBox="0 0 100 100" preserveAspectRatio="xMinYMax slice"><path d="M0 0H100V100Z" fill="#a44"/></svg>`,
  'view box stretched': `<svg ${ns} width="200" height="60" viewBox="0 0 100 100" preserveAspectRatio="none"><circle cx="50" cy="50" r="45" fill="#4a4"/></svg>`,
  percentages: box(
    '<rect x="10%" y="10%" width="50%" height="30%" fill="#777"/><circle cx="70%" cy="70%" r="15%" fill="#a3c"/>',
  ),
  'nested transforms': box(
    '<g transform="translate(100 80)"><g transform="rotate(30)"><rect x="-40" y="-20" width="80" height="40" fill="#369"/><g transform="scale(0.5) skewX(20)"><rect x="-40" y="-20" width="80" height="40" fill="#fc0"/></g></g></g>',
  ),
  'a matrix and a turn about a point': box(
    '<path d="M0 0H60V30H0Z" transform="matrix(1 .4 -.3 1 60 20)" fill="#936"/><rect x="100" y="80" width="60" height="40" transform="rotate(-35 130 100)" fill="#693"/>',
  ),
  'use, twice over': box(
    '<defs><g id="leaf"><path d="M0 0C20 -20 40 -20 60 0C40 20 20 20 0 0Z"/></g></defs><use href="#leaf" x="20" y="40" fill="#2a6"/><use xlink:href="#leaf" transform="translate(120 90) rotate(60)" fill="#a62"/><use href="#leaf" x="60" y="120"/>',
  ),
  'a symbol with a view box': box(
    '<symbol id="s" viewBox="0 0 10 10"><circle cx="5" cy="5" r="5" fill="#d33"/><rect x="3" y="3" width="4" height="4" fill="#fff"/></symbol><use href="#s" x="10" y="10" width="60" height="60"/><use href="#s" x="90" y="20" width="100" height="120"/>',
  ),
  'a drawing in the drawing': box(
    '<svg x="20" y="20" width="80" height="60" viewBox="0 0 40 40"><rect width="40" height="40" fill="#999"/><circle cx="40" cy="20" r="14" fill="#c60"/></svg><rect x="120" y="80" width="60" height="60" fill="#06c"/>',
  ),
  'colours of every kind': box(
    [
      ['0', 'tomato'],
      ['25', '#2E8B57'],
      ['50', '#69c'],
      ['75', 'rgb(120, 60, 200)'],
      ['100', 'rgb(20% 70% 40%)'],
      ['125', 'hsl(30 80% 45%)'],
      ['150', 'hsl(300, 40%, 40%)'],
    ]
      .map(([x, fill]) => `<rect x="${x}" y="20" width="20" height="120" fill="${fill}"/>`)
      .join(''),
  ),
  'the current colour': box(
    '<g color="#b33" fill="currentColor"><circle cx="60" cy="80" r="40"/><g color="#33b"><circle cx="140" cy="80" r="40" fill="currentColor"/></g></g>',
  ),
  'styles by rules': box(
    '<style>.a{fill:#284}.b{fill:#a50;}#c{fill:#03a}circle{fill:#777}g .d{fill:#808}g > rect.e{fill:#088}/* nothing */</style><rect class="a" x="5" y="5" width="50" height="60"/><circle class="b" cx="100" cy="35" r="28"/><circle cx="165" cy="35" r="28"/><rect id="c" class="a" x="5" y="85" width="50" height="60"/><g><rect class="d" x="70" y="85" width="50" height="60"/><rect class="e" x="135" y="85" width="50" height="60"/></g>',
  ),
  'a style attribute over a rule over an attribute': box(
    '<style>rect{fill:#0a0}</style><rect x="10" y="20" width="50" height="120" fill="#a00"/><rect x="75" y="20" width="50" height="120" fill="#a00" style="fill:#00a"/><path d="M140 20h50v120h-50z" fill="#a00"/>',
  ),
  'inherited and given back': box(
    '<g fill="#936" stroke="#000" stroke-width="4"><rect x="15" y="20" width="70" height="110"/><g stroke="none"><rect x="110" y="20" width="70" height="110" fill="#693"/></g></g>',
  ),
  'non-zero and even-odd': `<svg ${ns} width="400" height="160" viewBox="0 0 400 160"><path d="${PENTAGRAM}" fill="#246"/><path d="${PENTAGRAM}" transform="translate(200)" fill="#642" fill-rule="evenodd"/></svg>`,
  'holes by winding': box('<path d="M20 20H180V140H20ZM60 50V110H140V50Z" fill="#357"/>'),
  'curves of every kind': box(
    '<path d="M10 80C40 10 65 10 95 80S150 150 180 80Q150 20 120 60T80 120A30 20 15 0 1 30 130z" fill="#7a4"/>',
  ),
  'arcs, relative and run together': box(
    '<path d="m20 80a40 30 0 1 0 80 0a40 30 0 1 0-80 0zM110 40a25 25 0 0125 25v40h-50v-40a25 25 0 0125-25z" fill="#a47"/>',
  ),
  'lines, ends and corners': box(
    '<g fill="none" stroke="#345" stroke-width="12"><path d="M20 30H80L60 60"/><path d="M110 30H170L150 60" stroke-linecap="round" stroke-linejoin="round"/><path d="M30 100H90L70 130" stroke-linecap="square" stroke-linejoin="bevel"/></g><line x1="120" y1="100" x2="180" y2="140" stroke="#a30" stroke-width="5"/>',
  ),
  'dashes, with an offset': box(
    '<g fill="none" stroke="#063" stroke-width="8"><path d="M10 30H190" stroke-dasharray="20 10"/><path d="M10 60H190" stroke-dasharray="20 10" stroke-dashoffset="12"/><path d="M10 90H190" stroke-dasharray="15"/><circle cx="100" cy="125" r="24" stroke-dasharray="4 6 12"/></g>',
  ),
  'a line under a lopsided transform': box(
    '<g transform="scale(2 0.7)"><circle cx="50" cy="110" r="36" fill="#fd8" stroke="#830" stroke-width="10"/></g>',
  ),
  'the limit of mitres': box(
    '<g fill="none" stroke="#404" stroke-width="10"><path d="M20 60L100 50L20 40"/><path d="M20 120L100 110L20 100" stroke-miterlimit="20"/></g>',
  ),
  'a straight gradient': box(
    `<linearGradient id="g">${stops}</linearGradient><rect x="10" y="10" width="180" height="140" fill="url(#g)"/>`,
  ),
  'a gradient at a slant on a wide shape': box(
    `<linearGradient id="g" x1="0" y1="0" x2="1" y2="1">${three}</linearGradient><rect x="10" y="40" width="180" height="60" fill="url(#g)"/>`,
  ),
  'a gradient in user units, turned': box(
    `<linearGradient id="g" gradientUnits="userSpaceOnUse" x1="40" y1="0" x2="160" y2="0" gradientTransform="rotate(30 100 80)">${three}</linearGradient><path d="${STAR}" fill="url(#g)"/>`,
  ),
  'a round gradient': box(
    `<radialGradient id="g" cx="40%" cy="60%" r="45%">${stops}</radialGradient><ellipse cx="100" cy="80" rx="90" ry="60" fill="url(#g)"/>`,
  ),
  'a gradient that takes after another': box(
    `<linearGradient id="a">${three}</linearGradient><radialGradient id="b" href="#a" gradientUnits="userSpaceOnUse" cx="100" cy="80" r="80"/><rect width="200" height="160" fill="url(#b)"/>`,
  ),
  'hard stops': box(
    '<linearGradient id="g"><stop offset=".5" stop-color="#135"/><stop offset=".5" stop-color="#fa3"/></linearGradient><circle cx="100" cy="80" r="70" fill="url(#g)"/>',
  ),
  'stops by rules': box(
    '<style>.s{stop-color:#063}.t{stop-color:#fec}</style><linearGradient id="g" x2="0" y2="1"><stop class="s" offset="0"/><stop class="t" offset="1"/></linearGradient><rect x="10" y="10" width="180" height="140" style="fill:url(#g)"/>',
  ),
  'a line that runs in colour': box(
    `<linearGradient id="g" gradientUnits="userSpaceOnUse" x1="20" x2="180">${stops}</linearGradient><path d="M20 120Q100 -40 180 120" fill="none" stroke="url(#g)" stroke-width="18"/>`,
  ),
  'clipped by a circle': box(
    '<clipPath id="c"><circle cx="100" cy="80" r="60"/></clipPath><g clip-path="url(#c)"><rect width="110" height="160" fill="#a33"/><rect x="110" width="90" height="160" fill="#33a"/></g>',
  ),
  'clipped by two shapes, in its box': box(
    '<clipPath id="c" clipPathUnits="objectBoundingBox"><rect width=".45" height="1"/><circle cx=".75" cy=".5" r=".25"/></clipPath><rect x="20" y="20" width="160" height="120" fill="#3a7" clip-path="url(#c)"/>',
  ),
  'a clipped clip, and even-odd in it': box(
    `<clipPath id="a"><rect x="0" y="40" width="200" height="80"/></clipPath><clipPath id="b" clip-path="url(#a)"><path d="${PENTAGRAM}" clip-rule="evenodd"/></clipPath><rect width="200" height="160" fill="#753" clip-path="url(#b)"/>`,
  ),
  'a clipped line': box(
    '<clipPath id="c"><rect x="40" y="20" width="90" height="120"/></clipPath><path d="M0 0L200 160M200 0L0 160" stroke="#059" stroke-width="20" clip-path="url(#c)"/>',
  ),
  'seen through': box(
    '<rect x="10" y="30" width="110" height="100" fill="#c00"/><rect x="80" y="10" width="60" height="140" fill="#00c" opacity=".5"/><circle cx="160" cy="80" r="35" fill="#060" fill-opacity=".4"/><circle cx="40" cy="130" r="25" fill="rgba(0,0,0,.3)"/>',
  ),
  'hidden and not displayed': box(
    '<rect width="60" height="160" fill="#595"/><rect x="70" width="60" height="160" fill="#f00" display="none"/><g visibility="hidden"><rect x="140" width="20" height="160" fill="#f00"/><rect x="165" width="30" height="160" visibility="visible" fill="#559"/></g>',
  ),
  'a line over its own area, painted first': box(
    '<circle cx="60" cy="80" r="40" fill="#fc6" stroke="#630" stroke-width="16"/><circle cx="150" cy="80" r="40" fill="#fc6" stroke="#630" stroke-width="16" paint-order="stroke"/>',
  ),
  'what sticks out is cut off': box(
    '<circle cx="0" cy="0" r="90" fill="#936"/><rect x="150" y="120" width="100" height="100" fill="#396"/>',
  ),
  'gradients that repeat, and go to and fro, along a line and from a middle': box(
    `<linearGradient id="a" x1=".1" x2=".3" spreadMethod="repeat">${stops}</linearGradient>
     <linearGradient id="b" x1=".4" x2=".55" y2=".1" spreadMethod="reflect">${stops}</linearGradient>
     <radialGradient id="c" r=".2" spreadMethod="reflect">${stops}</radialGradient>
     <rect width="200" height="50" fill="url(#a)"/><rect y="55" width="200" height="50" fill="url(#b)"/><rect y="110" width="200" height="50" fill="url(#c)"/>`,
  ),
  'gradients that are seen through': box(
    `<linearGradient id="a"><stop offset="0" stop-color="#080"/><stop offset="1" stop-color="#080" stop-opacity="0"/></linearGradient>
     <radialGradient id="b"><stop offset=".2" stop-color="#00c" stop-opacity=".2"/><stop offset="1" stop-color="#c00" stop-opacity=".9"/></radialGradient>
     <rect x="20" y="20" width="160" height="30" fill="#fc0"/><rect width="200" height="80" fill="url(#a)"/><circle cx="100" cy="100" r="55" fill="url(#b)"/>`,
  ),
  'a switch by language and by what a reader knows': box(
    `<switch><foreignObject requiredExtensions="http://ns.example/" width="9" height="9"/><g systemLanguage="fr"><rect width="200" height="160" fill="#c00"/></g><g><rect width="90" height="90" fill="#08c"/></g></switch>`,
  ),
  'a smooth curve after an arc': box(
    '<path fill="#284" d="M20 80A40 40 0 0 1 100 80S150 20 180 80T190 150L20 150Z"/><path fill="#a30" d="M10 10h40v30L60 x"/>',
  ),
  'masks of plain shapes: what is white shows, what is black hides': box(
    `<mask id="a"><rect width="100" height="160" fill="#fff"/></mask>
     <mask id="b" maskUnits="userSpaceOnUse" x="0" y="0" width="200" height="160"><rect width="200" height="160" fill="#fff"/><circle cx="150" cy="80" r="30"/></mask>
     <mask id="c" maskContentUnits="objectBoundingBox"><circle cx=".5" cy=".5" r=".5" fill="#fff"/></mask>
     <rect width="200" height="60" fill="#080" mask="url(#a)"/><rect x="110" y="40" width="80" height="80" fill="#a30" mask="url(#b)"/>
     <g mask="url(#c)"><rect x="10" y="70" width="80" height="80" fill="#35a"/><rect x="10" y="70" width="40" height="80" fill="#fc0"/></g>`,
  ),
  'masks that fade, by lightness and by opacity': box(
    `<linearGradient id="g"><stop stop-color="#fff"/><stop offset="1" stop-color="#000"/></linearGradient>
     <radialGradient id="r"><stop stop-color="#fff"/><stop offset="1" stop-color="#fff" stop-opacity="0"/></radialGradient>
     <mask id="a"><rect width="200" height="160" fill="url(#g)"/></mask><mask id="b"><rect width="200" height="160" fill="url(#r)"/></mask>
     <mask id="c"><rect width="200" height="160" fill="#fff" opacity=".4"/></mask>
     <rect x="20" y="10" width="160" height="40" fill="#080" mask="url(#a)"/><circle cx="60" cy="100" r="45" fill="#a30" mask="url(#b)"/>
     <rect x="120" y="70" width="60" height="60" fill="#000" mask="url(#c)"/>`,
  ),
  'gradients with the light off their middles': box(
    `<radialGradient id="a" fx=".3" fy=".3">${stops}</radialGradient><radialGradient id="b" gradientUnits="userSpaceOnUse" cx="145" cy="80" r="45" fx="165" fy="60">${three}</radialGradient>
     <circle cx="55" cy="80" r="45" fill="url(#a)"/><rect x="100" y="30" width="90" height="100" fill="url(#b)"/>`,
  ),
  'marks at the ends and corners of lines': box(
    `<marker id="h" viewBox="0 0 10 10" refX="5" refY="5" markerWidth="4" markerHeight="4" orient="auto-start-reverse"><path d="M0 0L10 5L0 10z" fill="#a30"/></marker>
     <marker id="d" markerWidth="8" markerHeight="8" refX="4" refY="4" markerUnits="userSpaceOnUse"><circle cx="4" cy="4" r="4" fill="#06c"/></marker>
     <polyline points="20,30 80,30 110,70 180,40" fill="none" stroke="#333" stroke-width="4" marker-start="url(#h)" marker-mid="url(#d)" marker-end="url(#h)"/>
     <path d="M20 130C60 80 100 150 140 120" fill="none" stroke="#333" stroke-width="3" style="marker:url(#h)"/>
     <path d="M150 90h30v40h-30z" fill="#fc0" stroke="#333" marker-mid="url(#d)"/>`,
  ),
  'what is important, and what is only for dark screens': box(
    `<style>.a{fill:#08c!important} .b{fill:#fc0} @media (prefers-color-scheme: dark){.b{fill:#000}} @media screen{.c{fill:#393}} @keyframes k{from{fill:#f00}}</style>
     <rect class="a" width="60" height="160" fill="#f00" style="fill:#f00"/><rect class="b" x="70" width="60" height="160"/><rect class="c" x="140" width="60" height="160"/>`,
  ),
  'a switch, a link and unknown things': box(
    '<switch><rect width="80" height="160" fill="#284"/><rect width="80" height="160" fill="#f00"/></switch><a href="https://www.example"><circle cx="140" cy="80" r="40" fill="#824"/></a><metadata><x/></metadata>',
  ),
};

/** What cannot be kept, and the words it is told in. */
export const NOTED: Readonly<Record<string, readonly [svg: string, says: RegExp]>> = {
  'a mask that shows parts beside each other by halves and wholes': [
    box(
      '<mask id="m"><rect width="100" height="160" fill="#fff"/><rect x="100" width="100" height="160" fill="#888"/></mask><rect width="200" height="160" fill="#080" mask="url(#m)"/>',
    ),
    /mask is left out/,
  ],
  'a filter': [
    box('<filter id="f"><feGaussianBlur stdDeviation="4"/></filter><circle cx="100" cy="80" r="40" filter="url(#f)"/>'),
    /filter is left out/,
  ],
  'a pattern': [
    box(
      '<pattern id="p" width="10" height="10" patternUnits="userSpaceOnUse"><rect width="5" height="5"/></pattern><rect width="90" height="90" fill="url(#p) #090"/>',
    ),
    /pattern fill is left out/,
  ],
  'a picture from elsewhere, which nobody fetches': [
    box('<rect width="20" height="20"/><image href="https://tracker.example/x.png" width="9" height="9"/>'),
    /picture inside the drawing is left out/,
  ],
  'words on a line': [
    box(
      '<path id="l" d="M20 100Q100 20 180 100" fill="none"/><text font-size="14"><textPath href="#l">Round the bend</textPath></text>',
    ),
    /outlines in Source Sans 3/,
  ],
  'a picture inside': [
    box('<rect width="20" height="20"/><image width="10" height="10" href="data:image/png;base64,iVBORw0KGgo="/>'),
    /picture inside the drawing/,
  ],
  'a gradient that repeats more often than it can': [
    box(
      `<linearGradient id="g" x2=".002" spreadMethod="repeat">${stops}</linearGradient><rect width="200" height="160" fill="url(#g)"/>`,
    ),
    /repeats goes on in its last colour/,
  ],
  'a web page': [
    box(
      '<rect width="20" height="20"/><foreignObject width="9" height="9"><p xmlns="http://www.w3.org/1999/xhtml">x</p></foreignObject>',
    ),
    /web page inside the drawing is left out/,
  ],
  'a selector that is not followed': [
    box('<style>rect:nth-child(2){fill:red}</style><rect width="20" height="20"/>'),
    /such selectors are not followed/,
  ],
  words: [
    box(
      '<text x="20" y="60" font-family="Verdana" font-size="24">Fern <tspan font-weight="bold">&amp; Fen</tspan></text>',
    ),
    /outlines in Source Sans 3 instead of Verdana/,
  ],
  movement: [
    box('<circle r="20" cx="40" cy="40"><animate attributeName="r" to="40"/></circle><animate attributeName="x"/>'),
    /Movement is left out/,
  ],
};

/** Refused, each with what is wrong with it. */
export const HOSTILE: Readonly<Record<string, readonly [svg: string, says: RegExp]>> = {
  'a script': [box('<script>alert(1)</script><rect width="9" height="9"/>'), /script/],
  'a script in an attribute': [box('<rect width="9" height="9" onclick="alert(1)"/>'), /script in an attribute/],
  'a script in a link': [box('<a href="javascript:alert(1)"><rect width="9" height="9"/></a>'), /script in a link/],
  'entities that grow': [
    `<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;">]>${box('<text>&b;</text>')}`,
    /entities/,
  ],
  'an entity from a file': [
    `<!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/passwd">]>${box('<text>&x;</text>')}`,
    /entities/,
  ],
  'a shape from elsewhere': [box('<use href="other.svg#logo"/>'), /another file/],
  'a fill from elsewhere': [box('<rect width="9" height="9" fill="url(other.svg#g)"/>'), /another file/],
  'styles from elsewhere': [
    box('<style>@import "x.css";</style><rect width="9" height="9"/>'),
    /styles from elsewhere/,
  ],
  'a style sheet from elsewhere': [
    `<?xml-stylesheet href="x.css"?>${box('<rect width="9" height="9"/>')}`,
    /styles from another file/,
  ],
  'a picture named .svg': ['\x89PNG\r\n\x1a\n', /not an SVG drawing/],
  'cut short': [box('<rect width="9" height="9"/>').slice(0, -15), /not an SVG drawing/],
  nothing: [box('<defs/>'), /nothing to see/],
  'too many parts': [box('<path/>'.repeat(20_001)), /up to 20000 can be opened/],
  'used inside itself': [box('<g id="a"><use href="#a"/></g>'), /nothing to see/],
};
