import Stamp from 'lucide-react/icons/badge-check';
import Circle from 'lucide-react/icons/circle';
import Droplets from 'lucide-react/icons/droplets';
import Hexagon from 'lucide-react/icons/hexagon';
import ImageIcon from 'lucide-react/icons/image';
import Minus from 'lucide-react/icons/minus';
import PenLine from 'lucide-react/icons/pen-line';
import QrCode from 'lucide-react/icons/qr-code';
import Sparkle from 'lucide-react/icons/sparkle';
import Square from 'lucide-react/icons/square';
import Star from 'lucide-react/icons/star';
import Type from 'lucide-react/icons/type';
import { useRef } from 'react';
import { useBench } from '../../bench/bench';
import { openPanel } from '../../bench/room';
import { ART_KINDS } from '../../parts/art-file';
import { PICTURE_KINDS } from '../../parts/picture-kinds';
import { addBlot, addCode, addRule, addShape, addWords } from './add';
import { beginDrawing } from './path/drawing';
import { TypeWords } from './TypeWords';
import { editWords } from './words/editing';

/** What can be put on a face. */
export function AddBar({ onPictures }: { onPictures(files: Iterable<File>): void }) {
  const bench = useBench();
  const picker = useRef<HTMLInputElement>(null);
  const things = [
    ['Text', Type, () => editWords(addWords(bench, 'New text'))],
    ['Picture', ImageIcon, () => picker.current?.click()],
    ['Rectangle', Square, () => addShape(bench, 'Rectangle')],
    ['Ellipse', Circle, () => addShape(bench, 'Ellipse')],
    ['Polygon', Hexagon, () => addShape(bench, 'Polygon')],
    ['Star', Star, () => addShape(bench, 'Star')],
    ['Path', PenLine, () => beginDrawing(bench.face.id)],
    ['Blot', Droplets, () => addBlot(bench)],
    ['Rule', Minus, () => addRule(bench)],
    ['Icon', Sparkle, () => openPanel('icons')],
    ['Code', QrCode, () => addCode(bench)],
    ...(bench.job.logos.length > 0 ? ([['Logo', Stamp, () => openPanel('logos')]] as const) : []),
  ] as const;
  return (
    <div className="border-t border-base-300 p-3">
      <h2 className="heading mb-2">Add to {bench.face.name.toLowerCase()}</h2>
      <TypeWords />
      <div className="grid grid-cols-3 gap-1">
        {things.map(([name, Icon, add]) => (
          <button
            key={name}
            type="button"
            className="btn btn-sm justify-start gap-0.5 px-[3px] text-[12px]! font-normal"
            onClick={add}
          >
            <Icon size={14} className="shrink-0" /> <span className="truncate">{name}</span>
          </button>
        ))}
      </div>
      <input
        ref={picker}
        type="file"
        accept={`${PICTURE_KINDS},${ART_KINDS}`}
        multiple
        className="hidden"
        aria-label="Picture file"
        onChange={(event) => {
          onPictures([...(event.target.files ?? [])]);
          event.target.value = '';
        }}
      />
    </div>
  );
}
