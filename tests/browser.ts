/** Debian's browser, and what keeps it from looking for others on a closed network. */
export const CHROMIUM = '/usr/bin/chromium';
export const QUIET = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];
