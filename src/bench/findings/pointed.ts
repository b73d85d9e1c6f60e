import { create } from 'zustand';

/** The finding that is pointed at in the list, by its key: shown on the face. */
export const usePointed = create<{ key: string | undefined }>(() => ({ key: undefined }));
export const pointAt = (key: string | undefined): void => usePointed.setState({ key });
