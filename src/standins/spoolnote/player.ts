import {
  element,
  mount,
  obey,
  pageData,
  part,
  playPassage,
  report,
  secondsOf,
  tellOf,
  tintPage,
  wirePress,
} from '../shared/player.ts';
import type { SpoolnoteData } from './routes.ts';

const data = pageData<SpoolnoteData>();
const asked = new URLSearchParams(location.search);
const panels = (asked.get('show') ?? 'transcript').split('.').filter((p) => ['transcript', 'topics', 'people'].includes(p));

mount(
  `<audio data-part="tape"></audio><header><b data-part="title"></b>
  <button type="button" data-part="press"></button><progress data-part="bar" max="1" value="0" aria-label="Place"></progress>
  <span data-part="clock"></span><button type="button" data-part="hush"></button></header>
  <div class="panels"><section data-part="transcript" aria-label="Transcript"></section>
  <section data-part="topics" aria-label="Topics"></section><section data-part="people" aria-label="People"></section></div>`,
  data.title,
);
const tape = part<HTMLAudioElement>('tape');
const tint = tintPage('--ribbon', asked.get('tint'));
part('title').textContent = data.title;
for (const name of ['transcript', 'topics', 'people']) part(name).hidden = !panels.includes(name);
part('topics').replaceChildren(element('h2', 'Topics'), ...data.topics.map((t) => element('p', t)));
part('people').replaceChildren(element('h2', 'People'), element('p', data.author), element('p', 'A listener'));

const tell = (now: string): void =>
  report({
    spool: { now, s: Math.round(tape.currentTime * 100) / 100, of: tape.duration || null, silent: tape.muted, panels, tint },
  });

/** Words of the transcript seek. */
part('transcript').replaceChildren(
  ...data.lines.map(({ at, text }) => {
    const line = Object.assign(document.createElement('button'), { type: 'button', textContent: text });
    line.dataset.at = String(at);
    line.onclick = () => {
      tape.currentTime = at;
      tell('wound');
    };
    return line;
  }),
);
tape.addEventListener('timeupdate', () => {
  const now = data.lines.filter(({ at }) => at <= tape.currentTime + 0.05).at(-1);
  for (const line of part('transcript').children)
    line.toggleAttribute('data-now', (line as HTMLElement).dataset.at === String(now?.at));
});
tape.src = data.media;
tellOf(tape, { ready: 'threaded', playing: 'winding', paused: 'halted', time: 'running' }, tell);
wirePress(tape, ['Wind', 'Halt', 'Aloud', 'Hush']);
obey(tape, 'spoolAsk', { play: 'wind', pause: 'halt', seek: 'to', mute: 'hush' });
playPassage(tape, { from: secondsOf(asked.get('from')), until: Infinity }, () => tell('wound off'));
