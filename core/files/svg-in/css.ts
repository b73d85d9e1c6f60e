import type { Document, Element } from '@xmldom/xmldom';

/** Styles of an SVG: presentation attributes, rules of its <style>, and style attributes, each over the one before. */

interface Compound {
  tag: string | undefined;
  id: string | undefined;
  classes: readonly string[];
  /** How it hangs on the one before it: anywhere in it, or right in it. */
  by: 'in' | 'right in' | undefined;
}
interface CssRule {
  compounds: readonly Compound[];
  weight: number;
  declarations: ReadonlyMap<string, string>;
}

function declarationsOf(text: string): Map<string, string> {
  const out = new Map<string, string>();
  for (const part of text.split(/;(?![^(]*\))/)) {
    const at = part.indexOf(':');
    if (at < 0) continue;
    const value = part
      .slice(at + 1)
      .replace(/!\s*important\s*$/i, '')
      .trim();
    out.set(part.slice(0, at).trim().toLowerCase(), value);
  }
  return out;
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
  if (/@[\w-]+/.test(plain)) note('Rules that begin with @ in its styles are left out.');
  const rules: CssRule[] = [];
  for (const [, selectors, body] of plain.replace(/@[^{};]*;/g, '').matchAll(/([^{}]+)\{([^{}]*)\}/g))
    for (const each of selectors!.split(',')) {
      if (each.trim().startsWith('@')) continue;
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
  for (const { compounds, declarations } of sheet)
    if (matches(element, compounds)) for (const [name, value] of declarations) own.set(name, value);
  for (const [name, value] of declarationsOf(element.getAttribute('style') ?? '')) own.set(name, value);
  return own;
}
