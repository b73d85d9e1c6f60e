declare module 'clipper-lib' {
  export interface IntPoint {
    X: number;
    Y: number;
  }
  export type IntPath = IntPoint[];
  class Clipper {
    AddPaths(paths: IntPath[], polyType: number, closed: boolean): boolean;
    Execute(clipType: number, solution: IntPath[], subjectFill: number, clipFill: number): boolean;
  }
  const ClipperLib: {
    Clipper: typeof Clipper;
    ClipType: { ctIntersection: number; ctUnion: number; ctDifference: number; ctXor: number };
    PolyType: { ptSubject: number; ptClip: number };
    PolyFillType: { pftEvenOdd: number; pftNonZero: number };
  };
  export default ClipperLib;
}
