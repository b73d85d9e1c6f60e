import type { FirmDetail, PersonDetail } from '../../job/details';

/** A detail, and the line it was read from. */
export interface Read {
  value: string;
  from: string;
}
export type PersonFound = Partial<Record<PersonDetail, Read>> & { name: Read };

/** What was read of a client. */
export interface DetailsFound {
  firm: Partial<Record<FirmDetail, Read>>;
  people: PersonFound[];
  /** Where the client is, ISO 3166-1 alpha-2, where the text tells. */
  country: string | undefined;
  /** Lines that nothing was made of. */
  unread: string[];
}
