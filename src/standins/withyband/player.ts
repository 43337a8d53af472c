import { mount, pageData, part } from '../shared/player.ts';
import type { WithybandData } from './routes.ts';

const data = pageData<WithybandData>();
const options = new Map(
  (new URLSearchParams(location.search).get('opts') ?? '').split(';').map((one) => {
    const [name = '', value = ''] = one.split(':');
    return [name, value] as const;
  }),
);
const every = Number(/^(\d+)s$/.exec(options.get('every') ?? '')?.[1] ?? 5) * 1000;
let slide = Math.min(data.slides.length, Math.max(1, Number(options.get('start')) || 1));

mount(
  `<div class="weave"><p data-part="words" aria-live="polite"></p></div><div class="ends"><button type="button" data-part="back">Before</button><span data-part="count"></span><button type="button" data-part="on">After</button></div>`,
  data.title,
);
function show(next: number): void {
  const { length } = data.slides;
  slide = next > length ? (options.has('loop') ? 1 : length) : Math.max(1, next);
  part('words').textContent = data.slides[slide - 1]!;
  part('count').textContent = `${slide} of ${length}`;
}
part('back').onclick = () => show(slide - 1);
part('on').onclick = () => show(slide + 1);
show(slide);
if (options.has('go')) setInterval(() => show(slide + 1), every);
