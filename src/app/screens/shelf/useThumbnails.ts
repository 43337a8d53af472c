import { useEffect, useState } from 'react';
import type { Picture } from '../../../core/keeping/shelf/saved.ts';
import { watchPictures } from '../../storage/watch.ts';

/** Milliseconds for which the list must rest before pictures are fetched, and as many of them are kept at hand. */
const SETTLED = 60;
const MOST_FACES = 400;

function joined(before: ReadonlyMap<string, string>, found: readonly Picture[]): ReadonlyMap<string, string> {
  const all = [...before, ...found.map(({ id, address }): [string, string] => [id, address])];
  return new Map(all.slice(-MOST_FACES));
}

/** The small pictures of the embeds in sight, by id of their embeds; one that is still being fetched comes when it is there. */
export function useThumbnails(ids: readonly string[]): ReadonlyMap<string, string> {
  const [thumbnails, setThumbnails] = useState<ReadonlyMap<string, string>>(new Map());
  const wanted = ids.join(' ');
  useEffect(() => {
    let leave: (() => void) | undefined;
    const timer = setTimeout(() => {
      leave = watchPictures(wanted.split(' '), (found) => setThumbnails((before) => joined(before, found)));
    }, SETTLED);
    return () => {
      clearTimeout(timer);
      leave?.();
    };
  }, [wanted]);
  return thumbnails;
}
