/** On a swatch whose colour the press cannot reach. */
export const FarMark = () => (
  <span
    aria-hidden="true"
    className="absolute -top-1 -right-1 rounded-full bg-warning px-1 text-[10px] leading-4 font-bold text-warning-content"
  >
    !
  </span>
);
