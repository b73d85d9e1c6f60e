import { create } from 'zustand';

/** What the Layout room shows besides the piece itself. */
interface Room {
  asCut: boolean;
  both: boolean;
  /** The panel that is open over the room, if any. */
  open: 'keys' | 'actions' | 'export' | 'straighten' | 'guides' | 'icons' | 'logos' | 'fits' | undefined;
}

export const useRoom = create<Room>(() => ({ asCut: false, both: false, open: undefined }));

export const toggleAsCut = (): void => useRoom.setState(({ asCut }) => ({ asCut: !asCut }));
export const toggleBoth = (): void => useRoom.setState(({ both }) => ({ both: !both }));
export const openPanel = (open: Room['open']): void => useRoom.setState({ open });
