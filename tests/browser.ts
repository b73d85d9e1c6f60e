import { type Browser, chromium } from '@playwright/test';

/** Debian’s browser without its windows, and what keeps it from looking for others on a closed network. */
export const CHROMIUM = '/usr/lib/chromium/chromium-headless-shell';
export const QUIET = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

export const openBrowser = (): Promise<Browser> => chromium.launch({ executablePath: CHROMIUM, args: QUIET });
