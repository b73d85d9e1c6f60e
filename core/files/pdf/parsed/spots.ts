import { arrayOf, nameOf, type PdfView } from './view';

/** The spot inks that a file names anywhere, without the one that means all plates. */
export function spotsIn(view: PdfView): string[] {
  const { file } = view;
  const names = view.dicts
    .flatMap((dict) => [...dict.values()])
    .flatMap((value) => {
      const list = arrayOf(file, value);
      const family = nameOf(file, list[0]);
      if (family === 'Separation') return [nameOf(file, list[1])];
      return family === 'DeviceN' ? arrayOf(file, list[1]).map((each) => nameOf(file, each)) : [];
    });
  const process = new Set(['Cyan', 'Magenta', 'Yellow', 'Black', 'All', 'None']);
  return [...new Set(names)].flatMap((name) => (name && !process.has(name) ? [name] : [])).sort();
}
