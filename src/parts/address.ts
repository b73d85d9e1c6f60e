import { navigate } from 'wouter/use-browser-location';
import { commitField } from '../store/commit-field';

/** What the address asks for: `job` and `piece`, by their ids. */
export const asked = (name: string): string | undefined =>
  (typeof location === 'undefined' ? undefined : new URLSearchParams(location.search).get(name)) ?? undefined;

/** Goes to another room in the same page. */
export function goTo(address: string): void {
  commitField();
  navigate(address);
}
