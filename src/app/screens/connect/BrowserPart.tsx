import { useCallback, type ReactElement } from 'react';
import { CopyLine } from './CopyLine.tsx';
import { t } from '../../../messages/t.ts';
import { rich } from '../../ui/rich.tsx';

const takes = `${location.origin}/?take=`;
const SCRIPT = `javascript:void open('${takes}'+encodeURIComponent(location.href))`;

/** A bookmark, an address and the installed application, each of which hands a link to the Bench. */
export function BrowserPart(): ReactElement {
  // React writes no address that is a script; this one is ours, and is for the bookmarks.
  const asBookmark = useCallback((link: HTMLAnchorElement | null) => link?.setAttribute('href', SCRIPT), []);
  return (
    <section aria-labelledby="connect-browser">
      <h2 id="connect-browser">{t('From your browser')}</h2>
      <p>
        {rich(
          'Drag <a>To the Bench</a> to your bookmarks. Press it on the page of a video, a map or anything else, and the Bench opens with that page’s link.',
          {
            a: (inside) => (
              <a
                ref={asBookmark}
                className="cursor-grab rounded-[4px] border border-current px-2.5 py-[3px] text-inherit no-underline"
                onClick={(event) => event.preventDefault()}
              >
                {inside}
              </a>
            ),
          },
        )}
      </p>
      <p>{t('Any program can do the same by opening this address with a link at its end:')}</p>
      <CopyLine text={takes} name={t('the address that takes a link')} />
      <p className="text-quiet">
        {t(
          'Installed as an application (by the menu of the browser), Refenestra is among the places to which a phone shares links, and it opens without a network: what you have made is there, and can be changed, saved and copied. Only previews and facts of hosts need a network.',
        )}
      </p>
    </section>
  );
}
