declare module 'linebreak' {
  /** Unicode line breaking (UAX #14). */
  export default class LineBreaker {
    constructor(text: string);
    nextBreak(): { position: number; required: boolean } | null;
  }
}
