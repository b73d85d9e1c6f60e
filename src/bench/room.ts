import { create } from 'zustand';

/** What the Layout room shows besides the piece itself. */
interface Room {
  asCut: boolean;
  both: boolean;
  /** Whether templates are shown. */
  underlay: boolean;
  /** The panel that is open over the room, if any. */
  open:
    | 'keys'
    | 'actions'
    | 'straighten'
    | 'guides'
    | 'icons'
    | 'logos'
    | 'fits'
    | 'letters'
    | 'light'
    | 'cut'
    | 'shops'
    | 'checks'
    | 'versions'
    | undefined;
}

export const useRoom = create<Room>(() => ({ asCut: false, both: false, underlay: true, open: undefined }));

export const toggleAsCut = (): void => useRoom.setState(({ asCut }) => ({ asCut: !asCut }));
export const toggleBoth = (): void => useRoom.setState(({ both }) => ({ both: !both }));
export const toggleUnderlay = (): void => useRoom.setState(({ underlay }) => ({ underlay: !underlay }));
export const openPanel = (open: Room['open']): void => useRoom.setState({ open });
