import FilePlus from 'lucide-react/icons/file-plus';
import { useState } from 'react';
import { dropPreview } from '../../store/session';
import { addFontFile, FONT_FILES } from '../own-fonts';

/** A typeface of the user's own, from a file; it comes to the top of the list. */
export function AddFont() {
  const [message, setMessage] = useState<string>();
  const [told, setTold] = useState<string>();
  async function take(files: readonly File[]): Promise<void> {
    setMessage(undefined);
    setTold(undefined);
    dropPreview();
    for (const file of files)
      try {
        setTold(await addFontFile(file));
      } catch (error) {
        setMessage(`${file.name}: ${(error as Error).message}`);
      }
  }
  return (
    <div className="border-t border-base-300 p-2">
      <label className="btn btn-sm w-full font-normal focus-within:outline-2">
        <FilePlus size={14} /> Add a font file
        <input
          type="file"
          accept={FONT_FILES}
          multiple
          className="sr-only"
          aria-label="Font file"
          onChange={(event) => {
            void take([...(event.target.files ?? [])]);
            event.target.value = '';
          }}
        />
      </label>
      {told && (
        <p role="status" className="mt-1.5 text-[13px]">
          {told}
        </p>
      )}
      {message && (
        <p role="alert" className="mt-1.5 text-[13px] text-error">
          {message}
        </p>
      )}
    </div>
  );
}
