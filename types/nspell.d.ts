declare module 'nspell' {
  interface NSpell {
    correct(word: string): boolean;
    suggest(word: string): string[];
    /** Adds a dictionary’s lines after its first. */
    dictionary(dic: string): void;
    /** How figures join to one word; not among what the package speaks of. */
    compoundRules: RegExp[];
  }
  export default function nspell(dictionary: { aff: string | Uint8Array; dic: string | Uint8Array }): NSpell;
}
