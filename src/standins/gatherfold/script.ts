/** What the share box's script does on a publisher's page: each placeholder becomes a frame. */
const { src: SCRIPT } = document.currentScript as HTMLScriptElement;

for (const book of document.querySelectorAll<HTMLElement>('[data-fold-book]')) {
  if (book.firstElementChild) continue;
  const address = new URL(`/frame/${book.dataset.foldBook}`, SCRIPT);
  for (const name of ['spread', 'cues', 'ground', 'turn', 'tune', 'page']) {
    const value = book.getAttribute(`data-fold-${name}`);
    if (value) address.searchParams.set(name, value);
  }
  const frame = Object.assign(document.createElement('iframe'), {
    src: address.href,
    width: '440',
    height: '286',
    title: 'Booklet',
  });
  frame.style.border = '0';
  book.append(frame);
}
