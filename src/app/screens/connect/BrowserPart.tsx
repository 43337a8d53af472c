import { useCallback, type ReactElement } from 'react';
import { CopyLine } from './CopyLine.tsx';

const takes = `${location.origin}/?take=`;
const SCRIPT = `javascript:void open('${takes}'+encodeURIComponent(location.href))`;

/** A bookmark, an address and the installed application, each of which hands a link to the Bench. */
export function BrowserPart(): ReactElement {
  // React writes no address that is a script; this one is ours, and is for the bookmarks.
  const asBookmark = useCallback((link: HTMLAnchorElement | null) => link?.setAttribute('href', SCRIPT), []);
  return (
    <section aria-labelledby="connect-browser">
      <h2 id="connect-browser">From your browser</h2>
      <p>
        Drag{' '}
        <a ref={asBookmark} className="bookmark" onClick={(event) => event.preventDefault()}>
          To the Bench
        </a>{' '}
        to your bookmarks. Press it on the page of a video, a map or anything else, and the Bench opens with that page’s link.
      </p>
      <p>Any program can do the same by opening this address with a link at its end:</p>
      <CopyLine text={takes} name="the address that takes a link" />
      <p className="quiet">
        Installed as an application (by the menu of the browser), Refenestra is among the places to which a phone shares links,
        and it opens without a network: what you have made is there, and can be changed, saved and copied. Only previews and facts
        of hosts need a network.
      </p>
    </section>
  );
}
