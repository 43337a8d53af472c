/** Runs on the pages of publishers: each placeholder becomes a slideshow that follows the width. */
const home = new URL((document.currentScript as HTMLScriptElement).src).origin;

interface Album {
  title: string;
  author: string;
  photos: { id: string; title: string }[];
}

const make = (tag: string, text: string, style: string): HTMLElement => {
  const element = Object.assign(document.createElement(tag), { textContent: text });
  element.style.cssText = style;
  return element;
};

async function unfold(place: HTMLAnchorElement): Promise<void> {
  const code = place.dataset.fenAlbum!;
  const answer = await fetch(`${home}/album/${encodeURIComponent(code)}.json`);
  if (!answer.ok) return;
  const album = (await answer.json()) as Album;
  const { fenHead, fenFoot, fenSize } = place.dataset;
  const size = Number(fenSize) || 720;
  const named = place.href.match(/\/(\d+)\/in\//)?.[1];
  let shown = Math.max(
    0,
    album.photos.findIndex(({ id }) => id === named),
  );

  const show = make('figure', '', `margin:0;max-width:${size}px;background:#1d2321;color:#eef0e6;font:14px Verdana,sans-serif`);
  show.dataset.fenShow = code;
  const picture = Object.assign(document.createElement('img'), {
    style: 'display:block;width:100%;aspect-ratio:16/9;object-fit:cover',
  });
  const head = make('div', `${album.title} · ${album.author}`, 'padding:8px 12px');
  const foot = make('figcaption', '', 'padding:8px 12px;display:flex;justify-content:space-between;gap:12px');
  const words = make('span', '', '');
  const on = make('button', 'Next photo', 'border:1px solid;background:none;color:inherit;font:inherit');
  foot.append(words, on);
  head.hidden = fenHead === '0';
  foot.style.display = fenFoot === '0' ? 'none' : 'flex';
  const turn = (next: number): void => {
    shown = next % album.photos.length;
    const { id, title } = album.photos[shown]!;
    picture.src = `${home}/covers/${id}.webp`;
    picture.alt = title;
    words.textContent = `${title} (${shown + 1} of ${album.photos.length})`;
    window.postMessage({ fen: { photo: id, head: !head.hidden, foot: fenFoot !== '0', size, of: album.photos.length } }, '*');
  };
  picture.onclick = on.onclick = () => turn(shown + 1);
  show.append(head, picture, foot);
  place.replaceWith(show);
  turn(shown);
}

for (const place of document.querySelectorAll<HTMLAnchorElement>('a[data-fen-album]')) void unfold(place);
