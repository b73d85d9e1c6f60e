/** What a picture may be. Sizes in pixels and bytes. Common practice: larger is wasteful, smaller cannot print. */
export const PICTURE_LIMITS = {
  /** The longest A3 side at 600 ppi, with room. */
  longestSide: 16_000,
  mostPixels: 120_000_000,
  /** Below this a picture is a spacer or an icon, not something to print. */
  shortestSide: 8,
  mostBytes: 200_000_000,
} as const;

/** More pixels than this are not all held at once to be looked at: the browser decodes them, and gives fewer or a part. */
export const LARGE = 24_000_000;

/** A picture that cannot be used; the message says why and what to do. */
export class PictureError extends Error {}
