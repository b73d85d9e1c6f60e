import Bold from 'lucide-react/icons/bold';
import Italic from 'lucide-react/icons/italic';
import PenLine from 'lucide-react/icons/pen-line';
import AlignCentre from 'lucide-react/icons/text-align-center';
import AlignRight from 'lucide-react/icons/text-align-end';
import Justify from 'lucide-react/icons/text-align-justify';
import AlignLeft from 'lucide-react/icons/text-align-start';
import Underline from 'lucide-react/icons/underline';
import { setSetting, setWordsFrame } from '../../../../core/job/edits/words';
import { lookOf, plainText } from '../../../../core/job/look';
import type { Words } from '../../../../core/job/schema';
import { elementFrame } from '../../../../core/scene/face';
import { anchorShare } from '../../../../core/type/set-words';
import type { Alignment, Setting } from '../../../../core/type/style';
import { leadingOf } from '../../../../core/type/style';
import { useBench } from '../../../bench/bench';
import { TypefaceChooser } from '../../../bench/type/TypefaceChooser';
import { LengthField } from '../../../parts/LengthField';
import { act } from '../../../store/session';
import { changeLettering, editWords, tryLettering } from './editing';
import { LetteringMore } from './LetteringMore';
import { useShownLettering } from './shown-lettering';
import { sibling } from './siblings';

const ALIGN = [
  ['left', AlignLeft],
  ['centre', AlignCentre],
  ['right', AlignRight],
  ['justified', Justify],
] as const;

/** The look of the words: of those selected in the editor, or of all in the frame. */
export function WordsCard({ words }: { words: Words }) {
  const { sources } = useBench();
  const { lettering, ofSelection } = useShownLettering(words);
  const { setting } = lookOf(words, sources.styles);
  const change = (name: string, to: Parameters<typeof changeLettering>[2]): void =>
    void changeLettering(name, words.id, to);

  /** Aligned otherwise, a frame that grows stays where it is and its anchor moves. */
  function align(to: Alignment): void {
    const frame = elementFrame(words, sources);
    act('Align', (job) => {
      const aligned = setSetting(job, words.id, { align: to });
      return words.frame.behaviour === 'grows'
        ? setWordsFrame(aligned, words.id, {}, { x: frame.x + frame.width * anchorShare(to) })
        : aligned;
    });
  }
  const bold = sibling(lettering.typeface, 'bold', sources.ownFonts);
  const italic = sibling(lettering.typeface, 'italic', sources.ownFonts);

  return (
    <section aria-label="Text">
      <div className="mb-1.5 flex items-center justify-between">
        <h2 className="heading">{ofSelection ? 'Selected text' : 'Text'}</h2>
        <button type="button" className="btn btn-xs" onClick={() => editWords(words.id)}>
          <PenLine size={12} /> Edit
        </button>
      </div>
      <div className="mb-1.5">
        <TypefaceChooser
          label="Typeface"
          value={lettering.typeface}
          sample={plainText(words).replace(/\s+/g, ' ').trim().slice(0, 28) || 'Hamburg'}
          tried={(typeface) => tryLettering(words.id, { typeface })}
          onChoose={(typeface) => change('Typeface', { typeface })}
        />
      </div>
      <div className="grid grid-cols-2 gap-1.5">
        <LengthField
          label="Size"
          value={lettering.size}
          unit="pt"
          echo="mm"
          least={1}
          most={1000}
          onChange={(size) => change('Type size', { size })}
        />
        <LeadingField
          setting={setting}
          size={lettering.size}
          onChange={(leading) => act('Leading', (job) => setSetting(job, words.id, { leading }))}
        />
      </div>
      <div className="mt-1.5 flex items-center gap-1.5">
        <fieldset className="join" aria-label="Weight and slope">
          <button
            type="button"
            className={`btn btn-sm join-item px-2 ${bold?.on ? 'btn-neutral' : ''}`}
            disabled={!bold}
            aria-pressed={bold?.on ?? false}
            aria-label="Bold"
            onClick={() => bold && change('Bold', { typeface: bold.to })}
          >
            <Bold size={15} />
          </button>
          <button
            type="button"
            className={`btn btn-sm join-item px-2 ${italic?.on ? 'btn-neutral' : ''}`}
            disabled={!italic}
            aria-pressed={italic?.on ?? false}
            aria-label="Italic"
            onClick={() => italic && change('Italic', { typeface: italic.to })}
          >
            <Italic size={15} />
          </button>
          <button
            type="button"
            className={`btn btn-sm join-item px-2 ${lettering.underline ? 'btn-neutral' : ''}`}
            aria-pressed={lettering.underline}
            aria-label="Underline"
            onClick={() => change('Underline', { underline: !lettering.underline })}
          >
            <Underline size={15} />
          </button>
        </fieldset>
        <fieldset className="join ml-auto" aria-label="Alignment">
          {ALIGN.map(([name, Icon]) => (
            <button
              key={name}
              type="button"
              aria-pressed={setting.align === name}
              aria-label={`Align text ${name}`}
              className={`btn btn-sm join-item px-2 ${setting.align === name ? 'btn-neutral' : ''}`}
              onClick={() => align(name)}
            >
              <Icon size={15} />
            </button>
          ))}
        </fieldset>
      </div>
      <LetteringMore words={words} lettering={lettering} setting={setting} onChange={change} />
    </section>
  );
}

/** Leading in points. Automatic leading, a share of the size, follows it until points are typed. */
function LeadingField({
  setting,
  size,
  onChange,
}: {
  setting: Setting;
  size: number;
  onChange(leading: Setting['leading']): void;
}) {
  return (
    <LengthField
      label="Leading"
      hint="From baseline to baseline. Type points for exact leading; More has the automatic share"
      value={leadingOf(setting, size)}
      unit="pt"
      echo="mm"
      least={0.5}
      most={5000}
      onChange={(points) => onChange({ points })}
    />
  );
}
