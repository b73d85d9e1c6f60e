import { lookOf } from '../../../../core/job/look';
import type { Words } from '../../../../core/job/schema';
import type { Lettering } from '../../../../core/type/style';
import { useBench } from '../../../bench/bench';
import { useEditing } from './editing';

/** The lettering the controls show: that of the selected letters, or of the whole frame. */
export function useShownLettering(words: Words): { lettering: Lettering; ofSelection: boolean } {
  const { sources } = useBench();
  const { id, own } = useEditing();
  const { lettering } = lookOf(words, sources.styles);
  return id === words.id && own
    ? { lettering: { ...lettering, ...own } as Lettering, ofSelection: true }
    : { lettering, ofSelection: false };
}
