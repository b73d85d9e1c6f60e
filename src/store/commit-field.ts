/** A field that is being typed into is done with, as if it were left: what was typed counts. */
export function commitField(): void {
  if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
}
