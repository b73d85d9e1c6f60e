import type { Finding } from '../core/checks/check';
import type { Unread } from '../core/checks/unread';

/** What was found, without what mends it: it is told, and kept for when the same file is asked about again. */
export interface Looked {
  found: { piece: string; finding: Omit<Finding, 'fix' | 'orElse'>; fix: string | undefined }[];
  unread: (Unread & { piece: string })[];
  /** Names of inks that nothing uses. */
  unused: string[];
}
