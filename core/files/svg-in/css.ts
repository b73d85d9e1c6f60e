import type { Document, Element } from '@xmldom/xmldom';

/** Styles of an SVG: presentation attributes, rules of its <style>, and style attributes, each over the one before. */

interface Compound {
  tag: string | undefined;
  id: string | undefined;
  classes: readonly string[];
  /** How it hangs on the one before it: anywhere in it, or right in it. */
  by: 'in' | 'right in' | undefined;
}
/** What is said of an element, and what of it nothing that is merely said can change. */
interface Declarations {
  usual: ReadonlyMap<string, string>;
  important: ReadonlyMap<string, string>;
}
interface CssRule {
  compounds: readonly Compound[];
  weight: number;
  declarations: Declarations;
}

const IMPORTANT = /!\s*important\s*$/i;

function declarationsOf(text: string): Declarations {
  const usual = new Map<string, string>();
  const important = new Map<string, string>();
  for (const part of text.split(/;(?![^(]*\))/)) {
    const at = part.indexOf(':');
    if (at < 0) continue;
    const value = part.slice(at + 1);
    const name = part.slice(0, at).trim().toLowerCase();
    (IMPORTANT.test(value) ? important : usual).set(name, value.replace(IMPORTANT, '').trim());
  }
  return { usual, important };
}

/** Conditions that hold for what is printed or shown as a drawing usually is. */
const HOLDS = /^(?:(?:only\s+)?(?:all|screen)|\(\s*prefers-color-scheme\s*:\s*light\s*\))$/i;

/** The end of the block that opens at a place: past its closing brace. */
function endOfBlock(text: string, open: number): number {
  let deep = 0;
  for (let i = open; i < text.length; i++) {
    if (text[i] === '{') deep++;
    if (text[i] === '}' && --deep === 0) return i + 1;
  }
  return text.length;
}

/** Styles with the rules of conditions that hold in their places, and without those of others: dark screens, movement, fonts. */
function conditionsOf(text: string, note: (text: string) => void): string {
  const found = /@([\w-]+)([^{};]*)([{;])/.exec(text);
  if (!found) return text;
  const [whole, word, condition, mark] = found;
  const before = text.slice(0, found.index);
  const open = found.index + whole.length - 1;
  const end = mark === ';' ? open + 1 : endOfBlock(text, open);
  const rest = conditionsOf(text.slice(end), note);
  if (mark === ';') return before + rest;
  const isMedia = word!.toLowerCase() === 'media';
  if (isMedia && condition!.split(',').some((each) => HOLDS.test(each.trim())))
    return `${before}${conditionsOf(text.slice(open + 1, end - 1), note)}${rest}`;
  // What is only for dark screens, paper of other sizes or movement is not meant here; all else is told of.
  if (!isMedia && !/keyframes$/i.test(word!)) note('Rules that begin with @ in its styles are left out.');
  return before + rest;
}

/** One selector; undefined for one of a kind that is not followed. */
function selectorOf(text: string): Pick<CssRule, 'compounds' | 'weight'> | undefined {
  const words = text
    .replace(/\s*>\s*/g, ' > ')
    .trim()
    .split(/\s+/);
  const compounds: Compound[] = [];
  let by: Compound['by'];
  for (const word of words) {
    if (word === '>') {
      by = 'right in';
      continue;
    }
    if (!/^(\*|[\w-]+)?([.#][\w-]+)*$/.test(word)) return undefined;
    const tag = /^[\w-]+/.exec(word)?.[0];
    const id = /#([\w-]+)/.exec(word)?.[1];
    const classes = [...word.matchAll(/\.([\w-]+)/g)].map((m) => m[1]!);
    compounds.push({ tag, id, classes, by: compounds.length > 0 ? (by ?? 'in') : undefined });
    by = undefined;
  }
  const weight = compounds.reduce((sum, c) => sum + (c.id ? 10_000 : 0) + 100 * c.classes.length + (c.tag ? 1 : 0), 0);
  return { compounds, weight };
}

/** The rules of all <style> elements, the weightiest last. What cannot be followed is told of. */
export function sheetOf(document: Document, note: (text: string) => void): readonly CssRule[] {
  const styles = Array.from(document.getElementsByTagNameNS('*', 'style'));
  const text = styles.map((style) => style.textContent ?? '').join('\n');
  const plain = text.replace(/\/\*[\s\S]*?\*\//g, '').replace(/<!--|-->/g, '');
  const rules: CssRule[] = [];
  for (const [, selectors, body] of conditionsOf(plain, note).matchAll(/([^{}]+)\{([^{}]*)\}/g))
    for (const each of selectors!.split(',')) {
      const selector = selectorOf(each);
      if (selector) rules.push({ ...selector, declarations: declarationsOf(body!) });
      else note(`The style for “${each.trim()}” is left out: such selectors are not followed.`);
    }
  return rules
    .map((rule, i) => ({ rule, i }))
    .sort((a, b) => a.rule.weight - b.rule.weight || a.i - b.i)
    .map(({ rule }) => rule);
}

function fits(element: Element, { tag, id, classes }: Compound): boolean {
  if (tag && element.localName !== tag) return false;
  if (id && element.getAttribute('id') !== id) return false;
  const own = (element.getAttribute('class') ?? '').split(/\s+/);
  return classes.every((each) => own.includes(each));
}

const parentOf = (element: Element): Element | undefined => {
  const parent = element.parentNode;
  return parent?.nodeType === 1 ? (parent as Element) : undefined;
};

function matches(element: Element, compounds: readonly Compound[]): boolean {
  const last = compounds.at(-1)!;
  if (!fits(element, last)) return false;
  if (compounds.length === 1) return true;
  const rest = compounds.slice(0, -1);
  for (let up = parentOf(element); up; up = parentOf(up)) {
    if (matches(up, rest)) return true;
    if (last.by === 'right in') return false;
  }
  return false;
}

/** What an element says of itself, by attribute, rule and style attribute; nothing inherited. */
export function ownStyle(element: Element, sheet: readonly CssRule[]): Map<string, string> {
  const own = new Map<string, string>();
  for (const { name, value } of Array.from(element.attributes)) if (!name.includes(':')) own.set(name, value);
  const all = [
    ...sheet.filter(({ compounds }) => matches(element, compounds)).map(({ declarations }) => declarations),
    declarationsOf(element.getAttribute('style') ?? ''),
  ];
  for (const { usual } of all) for (const [name, value] of usual) own.set(name, value);
  for (const { important } of all) for (const [name, value] of important) own.set(name, value);
  return own;
}
