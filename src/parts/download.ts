import { plainName } from '../../core/files/file-names';

/** Hands a file to the browser to keep. */
export function download(bytes: Uint8Array, name: string, type: string): void {
  const url = URL.createObjectURL(new Blob([bytes.slice()], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 60_000);
}

/** A name that every file system takes. */
export const fileName = (text: string): string => plainName(text) || 'job';
