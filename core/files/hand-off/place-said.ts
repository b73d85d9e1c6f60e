/** Letters and pictures stand where they were laid within a tenth of a millimetre; in points. */
export const CLOSE = (0.1 / 25.4) * 72;

const mm = (points: number): string => ((points / 72) * 25.4).toFixed(1);
/** A place on a page, in points, as it is told. */
export const placeSaid = ({ x, y }: { x: number; y: number }): string => `at ${mm(x)}, ${mm(y)} mm`;
