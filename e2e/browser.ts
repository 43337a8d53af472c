import puppeteer, { type Browser } from 'puppeteer-core';

/** Debian's Chromium, or the one that CHROMIUM names, without a window; on a profile that it keeps, where one is given. */
export function launchBrowser(profile?: string): Promise<Browser> {
  return puppeteer.launch({
    ...(profile !== undefined && { userDataDir: profile }),
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      // The suggestions of the address bar are pages of their own, loaded with each window; nobody types there.
      '--disable-features=WebUIOmniboxPopup,WebUIOmniboxAimPopup,WebUIOmniboxFullPopup',
      // Nothing of the tests leaves this machine: no name but its own is looked up.
      '--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE localhost, EXCLUDE *.localhost, EXCLUDE 127.0.0.1',
    ],
  });
}
