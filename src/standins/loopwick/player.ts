import { mount, pageData, part, report, tryToStart } from '../shared/player.ts';
import type { LoopwickData } from './routes.ts';

const data = pageData<LoopwickData>();
mount(`<video data-part="loop" loop muted playsinline></video>`, data.title);
const loop = part<HTMLVideoElement>('loop');
let before = 0;
let rounds = 0;
loop.muted = true;
loop.src = data.media;
loop.addEventListener('playing', () => report({ wick: 'lit', silent: loop.muted }));
loop.addEventListener('timeupdate', () => {
  if (loop.currentTime < before) rounds++;
  before = loop.currentTime;
  report({ wick: 'burns', at: before, rounds });
});
loop.onclick = () => (loop.paused ? void loop.play() : loop.pause());
tryToStart(loop);
