/** A page of 220 × 120 pt, by hand: its content, the objects that it names (from number 5 on), and its resources. */
export function page(content: string, resources: string, objects: readonly string[] = []): Uint8Array {
  const all = [
    '<</Type/Catalog/Pages 2 0 R>>',
    '<</Type/Pages/Kids[3 0 R]/Count 1>>',
    `<</Type/Page/Parent 2 0 R/MediaBox[0 0 220 120]/Group<</S/Transparency/CS/DeviceCMYK/I true>>/Resources<<${resources}>>/Contents 4 0 R>>`,
    `<</Length ${content.length}>>stream\n${content}\nendstream`,
    ...objects,
  ];
  const body = all.map((each, i) => `${i + 1} 0 obj\n${each}\nendobj\n`).join('');
  // The table is looked for and not found: readers make it anew. A character is a byte.
  return Buffer.from(`%PDF-1.7\n${body}trailer<</Root 1 0 R/Size ${all.length + 1}>>\n%%EOF\n`, 'latin1');
}

export const form = (content: string, entries: string): string =>
  `<</Type/XObject/Subtype/Form/BBox[0 0 220 120]${entries}/Length ${content.length}>>stream\n${content}\nendstream`;
