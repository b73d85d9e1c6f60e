import { dataUrl } from '../../devices/data-url';
import { upsideDown } from '../../geometry/box';
import { sheetPanels } from '../../job/folds-of';
import type { Job, Piece } from '../../job/schema';
import { asFace } from '../../job/turned';
import { foldedViews } from '../../trade/folds';
import { formatSize } from '../../units/length';
import { plainName } from '../file-names';
import { escapeXml } from '../xml';
import { REVIEW_SCRIPT } from './script';

/** A page to mail to a client: one file with all it needs, that works without a server and sends nothing. */

/** A side of a piece as it is finished; the picture as a PNG. */
export interface ReviewSide {
  face: string;
  name: string;
  png: Uint8Array;
}
export interface ReviewPiece {
  piece: Piece;
  sides: readonly ReviewSide[];
}

/** A folded piece as one opens it: which part of which side lies where, points. */
function viewsOf(piece: Piece) {
  if (!piece.fold || piece.faces.length < 2) return undefined;
  return foldedViews(piece.fold, piece).map(({ says, seen }) => ({
    says,
    parts: seen.map(({ side, panel, at, isOver }) => {
      const number = side === 'outside' ? 0 : 1;
      const { name: _, ...box } = sheetPanels(piece, piece.faces[number]!)[panel]!;
      // A picture shows its side as it is read.
      const isRead = number === 1 && piece.turns === 'top–bottom';
      return { side: number, at, box: isRead ? upsideDown(box, piece) : box, over: isOver !== isRead };
    }),
  }));
}

/** JSON that can stand in a page: nothing in it ends the element that it stands in. */
const inPage = (value: unknown): string => JSON.stringify(value).replaceAll('<', '\\u003c');

const STYLE = `
:root{--ink:#24221e;--paper:#fffdf8;--table:#cac8c4;--line:#ddd6ca;--accent:#1d5a45;--pin:#a8491f}
*{box-sizing:border-box}
body{margin:0;height:100vh;display:grid;grid-template:auto minmax(0,1fr)/230px minmax(0,1fr) 320px;font:16px/1.45 system-ui,sans-serif;color:var(--ink);background:var(--paper)}
header{grid-column:1/-1;padding:12px 18px;border-bottom:1px solid var(--line);display:flex;gap:18px;align-items:baseline}
h1{font-size:18px;margin:0}h2{font-size:13px;letter-spacing:.06em;text-transform:uppercase;margin:18px 0 6px}
header p,.quiet,span{color:#5d574c}p{margin:0}
nav,aside{overflow-y:auto;padding:0 16px 16px}nav{border-right:1px solid var(--line)}aside{border-left:1px solid var(--line)}
button{font:inherit;color:inherit;background:var(--paper);border:1px solid var(--line);border-radius:4px;padding:6px 10px;cursor:pointer}
button:hover{border-color:var(--ink)}button.quiet{border:0;padding:2px 0;text-decoration:underline}
button:focus-visible,textarea:focus-visible,input:focus-visible{outline:2px solid var(--accent);outline-offset:1px}
#pieces{display:grid;gap:6px}#pieces button{text-align:left;display:grid}[aria-selected=true]{border-color:var(--ink);box-shadow:inset 0 0 0 1px var(--ink)}
main{display:grid;grid-template-rows:auto minmax(0,1fr);min-width:0}
.bar{display:flex;flex-wrap:wrap;gap:6px;padding:10px 16px;border-bottom:1px solid var(--line)}#sides{display:flex;flex-wrap:wrap;gap:6px;margin-right:auto}
#table{overflow:auto;background:var(--table);display:grid;place-items:safe center;padding:32px}
.sheet{position:relative;cursor:crosshair;filter:drop-shadow(0 3px 6px rgb(0 0 0/.28))}.sheet img{display:block;max-width:none}
.panel{position:absolute;overflow:hidden;outline:1px solid rgb(36 34 30/.35)}
.pin{position:absolute;transform:translate(-50%,-50%);width:30px;height:30px;padding:0;border-radius:50%;background:var(--pin);color:#fff;border:2px solid #fff;font-weight:650}
.pin[aria-pressed=true]{background:var(--ink)}
#comments{list-style:none;margin:0;padding:0;display:grid;gap:10px}#comments li{border:1px solid var(--line);border-radius:4px;padding:8px}#comments .chosen{border-color:var(--ink)}
textarea,input[type=text]{width:100%;font:inherit;color:inherit;background:#fff;border:1px solid #b9b1a3;border-radius:4px;padding:6px 8px}
fieldset{border:0;margin:0;padding:0;display:grid;gap:6px}label{display:block}
#save{background:var(--accent);color:#fff;border-color:var(--accent);width:100%;margin-top:12px;padding:10px}
#said{margin-top:8px;min-height:1.45em}
@media(max-width:900px){body{height:auto;display:block}#table{min-height:60vh}nav,aside{border:0}}
`;

/** The page for some pieces of a job. */
export function reviewPage(job: Job, pieces: readonly ReviewPiece[]): string {
  const told = {
    job: job.id,
    of: job.changed,
    file: `${plainName(job.name) || 'review'}-reply`,
    pieces: pieces.map(({ piece, sides }) => ({
      id: piece.id,
      name: piece.name,
      size: formatSize(piece.width, piece.height, piece.unit),
      views: viewsOf(piece),
      sides: sides.map(({ face, name, png }) => {
        const { width, height } = asFace(piece, piece.faces.find(({ id }) => id === face) ?? {});
        return { face, name, width, height, picture: dataUrl('image/png', png) };
      }),
    })),
  };
  const title = escapeXml(`${job.name}: review`);
  // Nothing may be fetched, whatever a page is made of.
  const policy = "default-src 'none'; img-src data:; style-src 'unsafe-inline'; script-src 'unsafe-inline'";
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="Content-Security-Policy" content="${policy}">
<title>${title}</title>
<style>${STYLE}</style>
</head>
<body>
<header><h1>${escapeXml(job.name)}</h1><p>As it will be cut, in screen colours. Nothing here is sent anywhere: save your reply and mail it back.</p></header>
<nav><h2>Pieces</h2><div id="pieces" role="tablist" aria-label="Pieces"></div></nav>
<main>
<div class="bar"><div id="sides" role="tablist" aria-label="Sides"></div><button type="button" id="smaller" aria-label="Zoom out">−</button><button type="button" id="larger" aria-label="Zoom in">+</button></div>
<div id="table"></div>
</main>
<aside>
<h2>Comments</h2>
<p id="count" class="quiet"></p>
<ol id="comments" aria-label="Comments"></ol>
<p style="margin-top:8px"><button type="button" id="add">Add a comment</button></p>
<h2>Your answer to this piece</h2>
<fieldset><legend hidden>Your answer</legend>
<label><input type="radio" name="verdict" id="yes"> Yes, print it</label>
<label><input type="radio" name="verdict" id="no"> No, change it first</label>
<label>Note <textarea id="note" rows="2" maxlength="4000"></textarea></label>
</fieldset>
<h2>Reply</h2>
<label>Your name <input type="text" id="from" maxlength="120" autocomplete="name"></label>
<button type="button" id="save">Save reply</button>
<p id="said" role="status"></p>
</aside>
<script type="application/json" id="told">${inPage(told)}</script>
<script>${REVIEW_SCRIPT}</script>
</body>
</html>
`;
}
