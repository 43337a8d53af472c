import { Router } from 'express';
import mustache from 'mustache';
import { writeChapters } from '../../core/order/cues/chapters.ts';
import { writeVtt } from '../../core/order/cues/cues.ts';
import type { Cue } from '../../core/order/order.ts';
import { fileName } from '../shared/media.ts';
import { addressOf, type StandInWorld } from '../standIn.ts';
import type { DemoItem } from '../world.ts';

/** RSS 2.0 with the podcast namespace: files, lengths, transcripts and chapters. */
const FEED = `<?xml version="1.0" encoding="utf-8"?>
<rss version="2.0" xmlns:itunes="http://www.itunes.com/dtds/podcast-1.0.dtd" xmlns:podcast="https://podcastindex.org/namespace/1.0"><channel>
<title>{{title}}</title><link>{{link}}</link><description>{{title}} by {{author}}</description><itunes:image href="{{cover}}"/>
{{#episodes}}<item><title>{{title}}</title><link>{{link}}</link><guid isPermaLink="false">{{id}}</guid><description>Episode {{number}}.</description>
<enclosure url="{{file}}" type="audio/ogg" length="0"/><itunes:duration>{{duration}}</itunes:duration>
<podcast:transcript url="{{link}}/transcript.vtt" type="text/vtt"/><podcast:chapters url="{{link}}/chapters.json" type="application/json+chapters"/></item>
{{/episodes}}</channel></rss>
`;

/** Episodes that a week brings. */
const A_WEEK = 2;
/** What is said, six seconds for each. */
const SENTENCES = [
  'The tide turns before anybody is awake.',
  'We open the sluice, and the wheel begins to turn.',
  'Listen to the wheel: it tells you how high the water stands.',
  'Rye comes from the hill, barley comes by the ferry.',
  'Why does the stone grow warm?',
  'Because the wheel does not stop when the flour is done.',
  'The pond fills twice a day, and nobody pays for it.',
];
const SPEAKERS = ['The miller', 'A visitor'];

const cuesOf = ({ duration = 0, number = 0 }: DemoItem): Cue[] =>
  Array.from({ length: Math.floor(duration / 6) }, (_, i) => ({
    from: i * 6,
    until: i * 6 + 6,
    text: SENTENCES[(i + number) % SENTENCES.length]!,
    who: SPEAKERS[i % 5 === 4 ? 1 : 0]!,
  }));

/** A show as podcasts have it; its last two episodes come when a week has gone by, which whoever posts to it says. */
export function podcast(world: StandInWorld, pathOf: (item: DemoItem) => string): Router {
  const router = Router();
  const gone = new Set<string>();
  const whole = (path: string): string => addressOf('earbrook', world.origin) + path;
  router.post('/show/:slug/week', ({ params }, response) => {
    gone.add(params.slug);
    response.status(204).end();
  });
  router.delete('/show/:slug/week', ({ params }, response) => {
    gone.delete(params.slug);
    response.status(204).end();
  });
  router.get('/show/:slug/podcast.xml', ({ params }, response) => {
    const show = world.items.find((i) => i.id === params.slug && i.scope === 'channel');
    if (!show) return void response.status(404).end();
    const members = show.members.flatMap((id) => world.items.find((i) => i.id === id) ?? []).filter((i) => !i.notBefore);
    const episodes = members
      .slice(0, gone.has(show.id) ? members.length : -A_WEEK)
      .reverse()
      .map((i) => ({ ...i, link: whole(pathOf(i)), file: whole(`/media/${fileName(i)}.ogg`) }));
    response
      .type('application/rss+xml')
      .send(
        mustache.render(FEED, { ...show, link: whole(pathOf(show)), cover: whole(`/covers/${fileName(show)}.webp`), episodes }),
      );
  });
  const episode = ({ slug, number }: { slug: string; number: string }): DemoItem | undefined =>
    world.items.find((i) => i.id === `${slug}-${number}`);
  router.get('/show/:slug/:number/transcript.vtt', ({ params }, response) => {
    const item = episode(params);
    if (!item) return void response.status(404).end();
    response.type('text/vtt').send(writeVtt(cuesOf(item)));
  });
  router.get('/show/:slug/:number/chapters.json', ({ params }, response) => {
    const item = episode(params);
    if (!item) return void response.status(404).end();
    const half = Math.floor((item.duration ?? 0) / 2);
    response.type('application/json+chapters').send(
      writeChapters([
        { at: 0, title: 'Before the tide' },
        { at: half, title: 'While the wheel turns' },
      ]),
    );
  });
  return router;
}
