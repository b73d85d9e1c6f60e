/**
 * What the review page does by itself, in the browser of whoever was sent it: no server, nothing fetched. Plain JavaScript of
 * 2020, since nothing builds it there.
 */
export const REVIEW_SCRIPT = `
'use strict';
const told = JSON.parse(document.getElementById('told').textContent);
const $ = (id) => document.getElementById(id);
const make = (name, attributes, inside) => {
  const node = document.createElement(name);
  for (const [key, value] of Object.entries(attributes || {})) {
    if (key === 'text') node.textContent = value;
    else if (key.startsWith('on')) node.addEventListener(key.slice(2), value);
    else if (value !== undefined && value !== false) node.setAttribute(key, value === true ? '' : value);
  }
  for (const each of inside || []) node.append(each);
  return node;
};
const KEY = 'tidyedge review ' + told.job + ' ' + told.of;
const state = { piece: told.pieces[0].id, side: 0, view: 0, zoom: 1, chosen: undefined, from: '', comments: [], verdicts: {}, saved: true };
try {
  const kept = JSON.parse(localStorage.getItem(KEY) || 'null');
  if (kept) Object.assign(state, { from: kept.from, comments: kept.comments, verdicts: kept.verdicts, saved: kept.saved });
} catch (_) { /* A browser that keeps nothing still works. */ }
const keep = (saved) => {
  state.saved = saved;
  try {
    localStorage.setItem(KEY, JSON.stringify({ from: state.from, comments: state.comments, verdicts: state.verdicts, saved }));
  } catch (_) { /* As above. */ }
};
const newId = () => Array.from(crypto.getRandomValues(new Uint8Array(9)), (b) => b.toString(36).padStart(2, '0')).join('').slice(0, 16);
const piece = () => told.pieces.find((each) => each.id === state.piece);
const here = () => state.comments.filter((each) => each.piece === state.piece);
const sideOf = (comment) => piece().sides.findIndex((side) => side.face === comment.face);

function choosePiece(id) { Object.assign(state, { piece: id, side: 0, view: 0, chosen: undefined }); draw(); }
function chooseSide(side) { Object.assign(state, { side, view: 0, chosen: undefined }); draw(); }
function choose(id) {
  const comment = state.comments.find((each) => each.id === id);
  state.chosen = id;
  if (comment) { state.side = Math.max(0, sideOf(comment)); state.view = 0; }
  draw();
  const field = document.querySelector('[data-comment="' + id + '"] textarea');
  if (field) field.focus();
}
function addAt(x, y) {
  const side = piece().sides[state.side];
  const comment = { id: newId(), piece: state.piece, face: side.face, x, y, text: '', date: new Date().toISOString() };
  state.comments.push(comment);
  keep(false);
  choose(comment.id);
}
function remove(id) {
  state.comments = state.comments.filter((each) => each.id !== id);
  keep(false);
  draw();
}

function drawPieces() {
  $('pieces').replaceChildren(...told.pieces.map((each) => make('button', {
    type: 'button', role: 'tab', 'aria-selected': String(each.id === state.piece), onclick: () => choosePiece(each.id),
  }, [
    make('b', { text: each.name }),
    make('span', { text: each.size + (state.verdicts[each.id] ? (state.verdicts[each.id].isYes ? ' · yes' : ' · no') : '') }),
  ])));
}

function drawSides() {
  const { sides, views } = piece();
  const tabs = sides.map((side, i) => make('button', {
    type: 'button', role: 'tab', 'aria-selected': String(state.view === 0 && i === state.side), onclick: () => chooseSide(i), text: side.name,
  }));
  const folds = (views || []).map((view, i) => make('button', {
    type: 'button', role: 'tab', 'aria-selected': String(state.view === i + 1), onclick: () => { state.view = i + 1; draw(); }, text: view.says,
  }));
  $('sides').replaceChildren(...tabs, ...folds);
}

function scaleFor(width, height) {
  const room = $('table').getBoundingClientRect();
  return state.zoom * Math.min((room.width - 64) / width, (room.height - 64) / height);
}

function drawFlat() {
  const side = piece().sides[state.side];
  const scale = scaleFor(side.width, side.height);
  const picture = make('img', { src: side.picture, alt: piece().name + ', ' + side.name, width: side.width * scale, height: side.height * scale, draggable: 'false' });
  const sheet = make('div', { class: 'sheet', id: 'sheet' }, [picture]);
  sheet.style.width = side.width * scale + 'px';
  sheet.style.height = side.height * scale + 'px';
  sheet.addEventListener('click', (event) => {
    if (event.target !== picture) return;
    const box = picture.getBoundingClientRect();
    addAt(Math.round(((event.clientX - box.left) / scale) * 10) / 10, Math.round(((event.clientY - box.top) / scale) * 10) / 10);
  });
  here().forEach((comment, i) => {
    if (comment.face !== side.face) return;
    const pin = make('button', {
      type: 'button', class: 'pin', 'aria-label': 'Comment ' + (i + 1), 'aria-pressed': String(comment.id === state.chosen), text: String(i + 1), onclick: () => choose(comment.id),
    });
    pin.style.left = comment.x * scale + 'px';
    pin.style.top = comment.y * scale + 'px';
    sheet.append(pin);
  });
  $('table').replaceChildren(sheet);
}

function drawFolded() {
  const { sides, views, name } = piece();
  const view = views[state.view - 1];
  const width = Math.max(...view.parts.map(({ at, box }) => at.x + box.width));
  const height = Math.max(...view.parts.map(({ at, box }) => at.y + box.height));
  const scale = scaleFor(width, height);
  const sheet = make('div', { class: 'sheet', role: 'img', 'aria-label': name + ', ' + view.says });
  sheet.style.width = width * scale + 'px';
  sheet.style.height = height * scale + 'px';
  for (const part of view.parts) {
    const side = sides[part.side];
    const panel = make('div', { class: 'panel' });
    const { at, box } = part;
    Object.assign(panel.style, { left: at.x * scale + 'px', top: at.y * scale + 'px', width: box.width * scale + 'px', height: box.height * scale + 'px' });
    if (part.over) panel.style.transform = 'rotate(180deg)';
    if (side) {
      const picture = make('img', { src: side.picture, alt: '', width: side.width * scale, height: side.height * scale });
      Object.assign(picture.style, { marginLeft: -box.x * scale + 'px', marginTop: -box.y * scale + 'px' });
      panel.append(picture);
    }
    sheet.append(panel);
  }
  $('table').replaceChildren(sheet);
}

function drawComments() {
  const all = here();
  $('count').textContent = all.length === 0 ? 'Click the piece where something should change.' : '';
  $('comments').replaceChildren(...all.map((comment, i) => {
    const side = piece().sides[sideOf(comment)];
    const field = make('textarea', {
      'aria-label': 'Text of comment ' + (i + 1), rows: 3, maxlength: 4000, onfocus: () => {
        if (state.chosen === comment.id) return;
        state.chosen = comment.id;
        state.side = Math.max(0, sideOf(comment));
        state.view = 0;
        drawSides();
        drawTable();
      }, oninput: (event) => { comment.text = event.target.value; keep(false); },
    });
    field.value = comment.text;
    return make('li', { 'data-comment': comment.id, class: comment.id === state.chosen ? 'chosen' : '' }, [
      make('p', {}, [make('b', { text: String(i + 1) }), make('span', { text: ' ' + (side ? side.name : '') })]),
      field,
      make('button', { type: 'button', class: 'quiet', text: 'Delete', 'aria-label': 'Delete comment ' + (i + 1), onclick: () => remove(comment.id) }),
    ]);
  }));
}

function drawVerdict() {
  const given = state.verdicts[state.piece];
  for (const way of ['yes', 'no']) $(way).checked = given !== undefined && given.isYes === (way === 'yes');
  $('note').value = (given && given.note) || '';
}
const drawTable = () => (state.view === 0 ? drawFlat() : drawFolded());
function draw() { drawPieces(); drawSides(); drawTable(); drawComments(); drawVerdict(); }

function verdict(change) {
  state.verdicts[state.piece] = Object.assign({ isYes: true }, state.verdicts[state.piece], change);
  keep(false);
  drawPieces();
}
for (const way of ['yes', 'no']) $(way).addEventListener('change', () => verdict({ isYes: way === 'yes' }));
$('note').addEventListener('input', (event) => { if (state.verdicts[state.piece]) verdict({ note: event.target.value }); });
$('from').value = state.from;
$('from').addEventListener('input', (event) => { state.from = event.target.value; keep(false); });
$('add').addEventListener('click', () => { const side = piece().sides[state.side]; addAt(side.width / 2, side.height / 2); });
const zoom = (by) => { state.zoom = Math.min(8, Math.max(1, state.zoom * by)); drawTable(); };
$('larger').addEventListener('click', () => zoom(1.4));
$('smaller').addEventListener('click', () => zoom(1 / 1.4));
$('table').addEventListener('wheel', (event) => {
  if (!event.ctrlKey && !event.metaKey) return;
  event.preventDefault();
  zoom(event.deltaY < 0 ? 1.15 : 1 / 1.15);
}, { passive: false });
addEventListener('resize', drawTable);
addEventListener('beforeunload', (event) => { if (!state.saved) event.preventDefault(); });

$('save').addEventListener('click', () => {
  const from = state.from.trim();
  const comments = state.comments.filter((each) => each.text.trim() !== '').map((each) => Object.assign({}, each, { text: each.text.trim() }));
  const verdicts = Object.entries(state.verdicts).map(([id, given]) => Object.assign({ piece: id, isYes: given.isYes }, given.note && given.note.trim() ? { note: given.note.trim() } : {}));
  if (from === '') { $('said').textContent = 'Write your name first.'; $('from').focus(); return; }
  if (comments.length + verdicts.length === 0) { $('said').textContent = 'There is no comment and no answer yet.'; return; }
  const reply = { format: 'tidyedge-reply', version: 1, job: told.job, of: told.of, from, date: new Date().toISOString(), comments, verdicts };
  const link = make('a', { href: URL.createObjectURL(new Blob([JSON.stringify(reply)], { type: 'application/json' })), download: told.file + '.tidyreply' });
  link.click();
  URL.revokeObjectURL(link.href);
  keep(true);
  $('said').textContent = 'Saved as ' + told.file + '.tidyreply. Mail that file back to whoever sent you this page.';
});
draw();
`;
