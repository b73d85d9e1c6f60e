import { zipSync } from 'fflate';
import { apart } from '../../core/files/file-names';
import { download } from './download';

const TYPES: Record<string, string> = {
  pdf: 'application/pdf',
  png: 'image/png',
  tif: 'image/tiff',
  svg: 'image/svg+xml',
  json: 'application/json',
  xjdf: 'application/vnd.cip4-xjdf+xml',
  zip: 'application/zip',
};

export interface NamedBytes {
  name: string;
  bytes: Uint8Array;
}

export const saveFile = ({ name, bytes }: NamedBytes): void =>
  download(bytes, name, TYPES[name.slice(name.lastIndexOf('.') + 1)] ?? 'application/octet-stream');

/** One file as it is, several in one zip; they are packed already. */
export function saveFiles(files: readonly NamedBytes[], zipName: string): void {
  const [only] = files;
  if (only && files.length === 1) saveFile(only);
  else
    saveFile({
      name: zipName,
      bytes: zipSync(Object.fromEntries(apart(files).map(({ name, bytes }) => [name, bytes])), { level: 0 }),
    });
}
