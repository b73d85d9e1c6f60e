/** How wide a tag with a text is drawn, in pixels. */
export const tagWidth = (text: string): number => text.length * 6.3 + 14;
