declare module 'imagetracerjs' {
  interface Colour {
    r: number;
    g: number;
    b: number;
    a: number;
  }
  const tracer: {
    imagedataToSVG(
      image: { width: number; height: number; data: Uint8ClampedArray },
      options: Record<string, number | boolean | Colour[]>,
    ): string;
  };
  export default tracer;
}
