/** What cameras and scanners say of a picture beside its pixels. */

/** The width of a pixel to its height from how many there are across and down; undefined where it is square within 1 %. */
export function aspectOf(across: number, down: number): number | undefined {
  const aspect = down / across;
  return Number.isFinite(aspect) && aspect > 0 && Math.abs(aspect - 1) > 0.01 ? aspect : undefined;
}

/** What is read of an EXIF block that starts at its TIFF header (CIPA DC-008): how it is turned and its pixels' aspect. */
export function readExif(tiff: Uint8Array): { orientation: number; pixelAspect?: number | undefined } {
  const square = { orientation: 1 };
  if (tiff.length < 14) return square;
  const view = new DataView(tiff.buffer, tiff.byteOffset, tiff.byteLength);
  const little = tiff[0] === 0x49;
  const ifd = view.getUint32(4, little);
  if (ifd + 2 > tiff.length) return square;
  const rational = (at: number): number =>
    at + 8 > tiff.length ? Number.NaN : view.getUint32(at, little) / view.getUint32(at + 4, little);
  let orientation = 1;
  let [across, down] = [Number.NaN, Number.NaN];
  for (let i = 0; i < view.getUint16(ifd, little); i++) {
    const at = ifd + 2 + 12 * i;
    if (at + 12 > tiff.length) break;
    const tag = view.getUint16(at, little);
    if (tag === 0x0112) orientation = view.getUint16(at + 8, little);
    else if (tag === 0x011a) across = rational(view.getUint32(at + 8, little));
    else if (tag === 0x011b) down = rational(view.getUint32(at + 8, little));
  }
  return { orientation: orientation >= 1 && orientation <= 8 ? orientation : 1, pixelAspect: aspectOf(across, down) };
}
