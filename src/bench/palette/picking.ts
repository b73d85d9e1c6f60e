import { create } from 'zustand';
import type { Ink } from '../../../core/colour/ink';

/** An ink that is being made or changed, and whether its colour is being picked from the face. */
export const usePicking = create<{
  picking: boolean;
  form: { ink?: Ink; from?: Omit<Ink, 'id'> } | undefined;
}>(() => ({ picking: false, form: undefined }));

/** Opens the form for a new ink that begins with a colour. */
export const startInk = (from?: Omit<Ink, 'id'>): void =>
  usePicking.setState({ picking: false, form: from ? { from } : {} });
export const changeInkForm = (ink: Ink): void => usePicking.setState({ picking: false, form: { ink } });
export const closeInkForm = (): void => usePicking.setState({ form: undefined });
export const pick = (picking: boolean): void => usePicking.setState({ picking });
