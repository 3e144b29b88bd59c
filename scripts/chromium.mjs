import { existsSync } from 'node:fs';

/** The package of the one without windows: the same browser, a sixth cheaper for what opens no window. */
export const headlessPackage = 'chromium-headless-shell';
const headless = `/usr/bin/${headlessPackage}`;
/** Whether there is no better one to install. */
export const hasHeadless = () => Boolean(process.env.CHROMIUM) || existsSync(headless);

/** Where Debian's packages put Chromium, unless CHROMIUM says otherwise; undefined when it is missing. */
export const chromiumPath = () =>
  [process.env.CHROMIUM, headless, '/usr/bin/chromium', '/usr/bin/chromium-browser'].find(
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
  '--disable-sync',
  // As in a window: the one without windows would fit letters to whole pixels, and texts would be wider.
  '--font-render-hinting=none'
];
