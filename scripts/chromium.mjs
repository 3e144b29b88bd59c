import { existsSync } from 'node:fs';

/** Where Debian's packages put Chromium, unless CHROMIUM says otherwise; undefined when it is missing. */
export const chromiumPath = () =>
  [process.env.CHROMIUM, '/usr/bin/chromium', '/usr/bin/chromium-browser'].find(
    (path) => path && existsSync(path)
  );

/** What headless Chromium needs to run as root and without a network. */
export const chromiumArgs = [
  '--headless',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync'
];
