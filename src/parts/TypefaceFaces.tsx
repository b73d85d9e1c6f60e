import { TYPEFACES } from '../../core/type/typefaces';
import { typefaceUrl } from '../../workers/font-urls';

/** The CSS family under which the browser shows a typeface. */
export const cssFamily = (typeface: string): string => `face-${typeface.replaceAll('/', '-')}`;

const RULES = TYPEFACES.flatMap((face) => {
  const url = typefaceUrl(face);
  return url ? [`@font-face{font-family:"${cssFamily(face.id)}";src:url("${url}");font-display:block}`] : [];
}).join('\n');

/** Tells the browser where each shipped typeface is; it loads those that something on the page is shown in. */
export const TypefaceFaces = () => <style>{RULES}</style>;
