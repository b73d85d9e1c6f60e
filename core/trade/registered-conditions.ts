/**
 * Printing conditions that are registered with the ICC (color.org, characterisation data registry), by the name that a file
 * gives them: OutputConditionIdentifier of PDF/X. From memory, all of them. A profile says its own by its characterisation
 * tag, or is known by its description.
 */
export const REGISTRY = 'http://www.color.org';

export interface RegisteredCondition {
  name: string;
  /** What is printed, in a few words. */
  prints: string;
  /** What else the data set or a profile made from it is called: parts of descriptions, in any case. */
  known: readonly string[];
}

const row = (name: string, prints: string, ...known: string[]): RegisteredCondition => ({ name, prints, known });

export const REGISTERED: readonly RegisteredCondition[] = [
  row('FOGRA27', 'offset, coated paper, ISO 12647-2:1996', 'ISO Coated sb'),
  row('FOGRA28', 'web offset, LWC paper', 'ISO Web Coated'),
  row('FOGRA29', 'offset, uncoated white paper, ISO 12647-2:2004', 'ISO Uncoated'),
  row('FOGRA30', 'offset, uncoated yellowish paper', 'ISO Uncoated Yellowish'),
  row('FOGRA39', 'offset, coated paper, ISO 12647-2:2004', 'ISO Coated v2', 'Coated FOGRA39'),
  row('FOGRA40', 'web offset, SC paper', 'SC Paper (ECI)'),
  row('FOGRA41', 'heatset, MFC paper', 'PSO MFC Paper'),
  row('FOGRA42', 'heatset, standard newsprint', 'PSO SNP Paper'),
  row('FOGRA45', 'web offset, improved LWC paper', 'PSO LWC Improved'),
  row('FOGRA46', 'web offset, standard LWC paper', 'PSO LWC Standard'),
  row('FOGRA47', 'offset, uncoated white paper', 'PSO Uncoated ISO12647'),
  row('FOGRA48', 'heatset, improved newsprint', 'PSO INP Paper'),
  row('FOGRA49', 'offset, matt laminated', 'PSO Coated NPscreen', 'PSO Coated matte'),
  row('FOGRA51', 'offset, premium coated paper, ISO 12647-2:2013', 'PSO Coated v3'),
  row('FOGRA52', 'offset, uncoated woodfree paper, ISO 12647-2:2013', 'PSO Uncoated v3'),
  row('FOGRA55', 'offset in seven inks, premium coated paper'),
  row('FOGRA59', 'the colour exchange space of ECI', 'eciCMYK v2'),
  row('CGATS TR 001', 'web offset, publication paper', 'TR001'),
  row('CGATS TR 003', 'web offset, grade 3 paper', 'SWOP2006_Coated3', 'TR003'),
  row('CGATS TR 005', 'web offset, grade 5 paper', 'SWOP2006_Coated5', 'TR005'),
  row('CGATS TR 006', 'offset, grade 1 coated paper', 'GRACoL2006_Coated1', 'TR006'),
  ...[1, 2, 3, 4, 5, 6, 7].map((n) => row(`CGATS21-2-CRPC${n}`, `CGATS.21-2, reference condition ${n}`, `CRPC${n}`)),
  row('JC200103', 'offset, coated paper, Japan Color 2001', 'Japan Color 2001 Coated'),
  row('JC200104', 'offset, uncoated paper, Japan Color 2001', 'Japan Color 2001 Uncoated'),
  row('IFRA26', 'coldset, newsprint', 'ISOnewspaper26v4', 'WAN-IFRAnewspaper26'),
];

/** Whether a condition goes by a name of the registry. */
export const isRegistered = ({ identifier }: { identifier: string }): boolean =>
  REGISTERED.some(({ name }) => name === identifier);

const plain = (text: string): string => text.toLowerCase().replace(/[\s_-]+/g, ' ');

/** Whether a text names something as a word of its own: CRPC1 is not in CRPC10, nor FOGRA5 in FOGRA51. A data set's L or S is. */
function names(text: string, part: string): boolean {
  const at = plain(text).indexOf(plain(part));
  if (at < 0) return false;
  const after = plain(text).slice(at + plain(part).length);
  return !/^\d/.test(after);
}

/** The registered condition that a profile was made for, by what it says of itself; undefined where it says none that is known. */
export function registeredFor(characterisation: string, description: string): RegisteredCondition | undefined {
  const of = (text: string) => REGISTERED.find(({ name }) => text !== '' && names(text, name));
  // The longest name that fits is meant: one may begin with another.
  const known = REGISTERED.flatMap((condition) => condition.known.map((part) => ({ condition, part })))
    .filter(({ part }) => names(description, part))
    .sort((a, b) => b.part.length - a.part.length)[0];
  return of(characterisation) ?? of(description) ?? known?.condition;
}
