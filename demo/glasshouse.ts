/** "Glasshouse, morning": a picture drawn for the demo card by a seeded hand, as SVG. Units are pixels at 300 ppi. */

/** A small seeded generator (mulberry32), so that the picture is the same each time. */
export function seeded(seed: number): () => number {
  let a = seed;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

const f = (n: number): string => n.toFixed(1);

/** A frond: a bent stem with leaflets either side. */
function frond(x: number, y: number, length: number, lean: number, colour: string, random: () => number): string {
  const parts: string[] = [];
  const count = 15;
  const bend = lean * (0.8 + random() * 0.5);
  for (let i = 1; i <= count; i++) {
    const t = i / count;
    const sx = x + bend * length * t * t;
    const sy = y - length * t * (1 - 0.18 * t * Math.abs(bend));
    const angle = Math.atan2(-1, 2 * bend * t) * (180 / Math.PI);
    const size = length * 0.3 * Math.sin(Math.PI * (0.15 + 0.8 * t)) * (1 - 0.25 * t);
    for (const side of [-1, 1])
      parts.push(
        `<path transform="translate(${f(sx)} ${f(sy)}) rotate(${f(angle + side * (58 - 20 * t))})" d="M0 0C${f(size * 0.3)} ${f(-size * 0.14)} ${f(size * 0.7)} ${f(-size * 0.12)} ${f(size)} 0C${f(size * 0.7)} ${f(size * 0.11)} ${f(size * 0.3)} ${f(size * 0.13)} 0 0Z"/>`,
      );
  }
  const tipX = x + bend * length;
  const tipY = y - length * (1 - 0.18 * Math.abs(bend));
  return `<g fill="${colour}"><path fill="none" stroke="${colour}" stroke-width="${f(length * 0.018)}" d="M${f(x)} ${f(y)}Q${f(x)} ${f(y - length * 0.5)} ${f(tipX)} ${f(tipY)}"/>${parts.join('')}</g>`;
}

/** A row of rounded shrubs along a line. */
function shrubs(
  base: number,
  height: number,
  width: number,
  step: number,
  colour: string,
  random: () => number,
): string {
  const blobs: string[] = [];
  for (let x = -step; x < width + step; x += step * (0.55 + random() * 0.5)) {
    const r = height * (0.55 + random() * 0.6);
    blobs.push(`<ellipse cx="${f(x)}" cy="${f(base - r * 0.25)}" rx="${f(r * 0.9)}" ry="${f(r)}"/>`);
  }
  return `<g fill="${colour}">${blobs.join('')}<rect x="0" y="${f(base)}" width="${width}" height="2000"/></g>`;
}

/** The house of glass: gable ends, panes, ridge, and light from inside. */
function house(x: number, y: number, w: number, h: number): string {
  const eaves = y - h * 0.52;
  const ridge = y - h;
  const bars: string[] = [];
  const columns = 14;
  const gable = w * 0.24;
  for (let i = 0; i <= columns; i++) {
    const bx = x + gable + ((w - gable) * i) / columns;
    bars.push(`M${f(bx)} ${f(y)}V${f(eaves)}L${f(bx - gable * 0.5)} ${f(ridge)}`);
  }
  for (const t of [0.34, 0.67]) {
    bars.push(`M${f(x + gable)} ${f(y - (y - eaves) * t)}H${f(x + w)}`);
    bars.push(`M${f(x + gable - gable * 0.5 * t)} ${f(eaves - (eaves - ridge) * t)}H${f(x + w - gable * 0.5 * t)}`);
  }
  for (const t of [0.25, 0.5, 0.75])
    bars.push(`M${f(x + gable * t)} ${f(y)}V${f(eaves - (eaves - ridge) * (1 - Math.abs(2 * t - 1)))}`);
  bars.push(`M${f(x)} ${f(y - (y - eaves) * 0.5)}H${f(x + gable)}`);
  return `
  <path d="M${f(x)} ${f(y)}V${f(eaves)}L${f(x + gable / 2)} ${f(ridge)}L${f(x + gable)} ${f(eaves)}V${f(y)}Z" fill="url(#gable)"/>
  <path d="M${f(x + gable)} ${f(eaves)}L${f(x + gable / 2)} ${f(ridge)}H${f(x + w - gable / 2)}L${f(x + w)} ${f(eaves)}Z" fill="url(#roof)"/>
  <rect x="${f(x + gable)}" y="${f(eaves)}" width="${f(w - gable)}" height="${f(y - eaves)}" fill="url(#wall)"/>
  <g fill="#2f5b46" opacity=".5">${Array.from({ length: 19 }, (_, i) => {
    const px = x + 14 + ((w - 30) * i) / 18;
    const r = 12 + ((i * 37) % 17);
    return `<ellipse cx="${f(px)}" cy="${f(y - r * 0.8)}" rx="${f(r * 0.9)}" ry="${f(r * 1.25)}"/>`;
  }).join('')}</g>
  <path d="${bars.join('')}M${f(x)} ${f(y)}V${f(eaves)}L${f(x + gable / 2)} ${f(ridge)}L${f(x + gable)} ${f(eaves)}M${f(x + gable / 2)} ${f(ridge)}H${f(x + w - gable / 2)}L${f(x + w)} ${f(eaves)}H${f(x)}M${f(x + w)} ${f(eaves)}V${f(y)}" fill="none" stroke="#f6efdf" stroke-width="2.2" stroke-linejoin="round"/>`;
}

/** The whole picture as SVG, `width` × `height` pixels. */
export function glasshouse(width: number, height: number): string {
  const random = seeded(20260921);
  const fronds: string[] = [];
  for (let i = 0; i < 46; i++) {
    const x = (i / 45) * width + (random() - 0.5) * 40;
    const near = random();
    const lean = (x / width - 0.5) * 1.3 + (random() - 0.5) * 0.8;
    const colour = ['#12392c', '#1a4a38', '#0e3026', '#24583f'][Math.floor(random() * 4)]!;
    fronds.push(
      frond(x, height + 30, height * (0.2 + 0.2 * near + 0.22 * Math.abs(x / width - 0.46)), lean, colour, random),
    );
  }
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">
  <defs>
   <linearGradient id="sky" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#a9c3bd"/><stop offset=".38" stop-color="#e6dfc4"/><stop offset=".62" stop-color="#f3cf9b"/></linearGradient>
   <radialGradient id="sun" cx=".5" cy=".5" r=".5"><stop offset="0" stop-color="#fff6dc"/><stop offset=".2" stop-color="#ffedc0" stop-opacity=".9"/><stop offset="1" stop-color="#ffdf9f" stop-opacity="0"/></radialGradient>
   <linearGradient id="roof" x1="0" y1="0" x2="1" y2="1"><stop offset="0" stop-color="#d5e2d6"/><stop offset=".6" stop-color="#fff2d0"/><stop offset="1" stop-color="#ffdf9c"/></linearGradient>
   <linearGradient id="wall" x1="0" y1="0" x2="1" y2=".4"><stop offset="0" stop-color="#b6cbb8"/><stop offset=".7" stop-color="#f0dfae"/><stop offset="1" stop-color="#f7cf86"/></linearGradient>
   <linearGradient id="gable" x1="0" y1="0" x2="1" y2="1"><stop offset="0" stop-color="#9ab8a8"/><stop offset="1" stop-color="#c3cfab"/></linearGradient>
   <linearGradient id="mist" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#f4e3bd" stop-opacity="0"/><stop offset=".5" stop-color="#f4e3bd" stop-opacity=".75"/><stop offset="1" stop-color="#f4e3bd" stop-opacity="0"/></linearGradient>
   <linearGradient id="ground" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#6f8f5c"/><stop offset="1" stop-color="#2d5a40"/></linearGradient>
  </defs>
  <rect width="${width}" height="${height}" fill="url(#sky)"/>
  <circle cx="${f(width * 0.77)}" cy="${f(height * 0.4)}" r="${f(height * 0.62)}" fill="url(#sun)"/>
  ${shrubs(height * 0.55, height * 0.1, width, 60, '#b9c3a0', random)}
  <rect y="${f(height * 0.44)}" width="${width}" height="${f(height * 0.24)}" fill="url(#mist)"/>
  ${shrubs(height * 0.63, height * 0.075, width, 46, '#8fa883', random)}
  <rect y="${f(height * 0.66)}" width="${width}" height="${f(height * 0.4)}" fill="url(#ground)"/>
  ${house(width * 0.25, height * 0.74, width * 0.54, height * 0.4)}
  <rect y="${f(height * 0.6)}" width="${width}" height="${f(height * 0.22)}" fill="url(#mist)" opacity=".55"/>
  ${shrubs(height * 0.83, height * 0.06, width, 34, '#3f6d4b', random)}
  ${fronds.join('')}
</svg>`;
}
