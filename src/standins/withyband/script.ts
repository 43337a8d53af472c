/** What the host's script does on a publisher's page: its element becomes a frame with a padding of its own. */
const { src: BAND } = document.currentScript as HTMLScriptElement;

for (const band of document.querySelectorAll<HTMLElement>('withy-band')) {
  if (band.firstElementChild) continue;
  const { hostname, port, protocol } = new URL(BAND);
  const address = new URL(`${protocol}//w.${hostname}:${port}/`);
  address.searchParams.set('doc', band.getAttribute('code') ?? '');
  const options = band.getAttribute('opts');
  if (options) address.searchParams.set('opts', options);
  const frame = Object.assign(document.createElement('iframe'), { src: address.href, title: 'Slides' });
  frame.style.cssText = 'width:100%;aspect-ratio:5/3;border:0';
  band.style.display = 'block';
  band.append(frame);
}
