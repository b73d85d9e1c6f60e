import { navigate } from 'wouter/use-browser-location';

/** What the address asks for: `job` and `piece`, by their ids. */
export const asked = (name: string): string | undefined =>
  (typeof location === 'undefined' ? undefined : new URLSearchParams(location.search).get(name)) ?? undefined;

/** Goes to another room in the same page. */
export function goTo(address: string): void {
  commitField();
  navigate(address);
}

/** A field that is being typed into is done with, as if it were left: what was typed counts. */
export function commitField(): void {
  if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
}
