import puppeteer, { type Browser } from 'puppeteer-core';

/**
 * Debian's Chromium, or the one that CHROMIUM names, without a window; on a profile that it keeps, where one is given. Names
 * that lead elsewhere are rules such as `MAP refenestra.test:443 127.0.0.1:8443`; their certificates are of our own making.
 */
export const launchBrowser = (profile?: string, names: readonly string[] = []): Promise<Browser> =>
  puppeteer.launch({
    ...(profile !== undefined && { userDataDir: profile }),
    ...(names.length > 0 && { acceptInsecureCerts: true }),
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: chromiumArguments(names),
  });

/**
 * The same engine without the browser around it, which takes three quarters of the time. What players do is proved in the
 * whole browser, and so is what the engine alone lacks: folders to write to, installed applications, dragging by the mouse.
 */
export const launchShell = (): Promise<Browser> =>
  puppeteer.launch({
    executablePath: process.env.CHROMIUM_SHELL ?? '/usr/bin/chromium-headless-shell',
    headless: 'shell',
    args: chromiumArguments([]),
  });

function chromiumArguments(names: readonly string[]): string[] {
  return [
    '--no-sandbox',
    '--lang=en-US',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    // The suggestions of the address bar are pages of their own, loaded with each window; nobody types there.
    '--disable-features=WebUIOmniboxPopup,WebUIOmniboxAimPopup,WebUIOmniboxFullPopup',
    // Nothing of the tests leaves this machine: no name but its own is looked up.
    `--host-resolver-rules=${[...names, 'MAP * ~NOTFOUND', 'EXCLUDE localhost', 'EXCLUDE *.localhost', 'EXCLUDE 127.0.0.1'].join(', ')}`,
  ];
}

/** Debian's Firefox without a window, over WebDriver BiDi. Its names end on this machine by themselves: it is told of no other. */
export const launchFirefox = (): Promise<Browser> =>
  puppeteer.launch({
    browser: 'firefox',
    executablePath: process.env.FIREFOX ?? '/usr/bin/firefox-esr',
    extraPrefsFirefox: {
      'intl.accept_languages': 'en',
      // Nothing of the tests leaves this machine: what is no name of its own goes to a port where nobody answers.
      'network.proxy.type': 1,
      'network.proxy.http': '127.0.0.1',
      'network.proxy.http_port': 9,
      'network.proxy.ssl': '127.0.0.1',
      'network.proxy.ssl_port': 9,
      'network.proxy.no_proxies_on': 'localhost, .localhost, 127.0.0.1',
    },
  });
