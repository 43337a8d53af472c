import type { Router } from 'express';
import { byId, door, frameRouter, iframeCode, sendPlayer, shareRouter, type Host } from '../shared/host.ts';
import { fileName } from '../shared/media.ts';
import { addressOf, type StandIn, type StandInWorld } from '../standIn.ts';
import type { DemoItem } from '../world.ts';
import { folderOf } from '../root.ts';

export interface SpoolnoteData {
  title: string;
  author: string;
  media: string;
  lines: { at: number; text: string }[];
  topics: string[];
}

const frameOf = ({ id }: DemoItem, { origin }: StandInWorld): string => `${addressOf('spoolnote', origin)}/frame/${id}`;

/** One line of the transcript in each part of the recording. */
const linesOf = ({ outline, duration = 60 }: DemoItem): SpoolnoteData['lines'] =>
  outline.map((text, i) => ({ at: Math.round((i * duration) / outline.length), text }));

const host: Host = {
  id: 'spoolnote',
  name: 'Spoolnote',
  folder: folderOf('spoolnote'),
  paths: ['/r/:code'],
  pathOf: ({ id }) => `/r/${id}`,
  find: byId(/^\/r\/([^/.]+)$/),
  frameOf,
  codeOf: (item, world) => iframeCode(frameOf(item, world), 'width="600" height="420"', ' frameborder="0"'),
  answer: () => ({ width: 600, height: 420 }),
};

/** Spoolnote: recordings with their transcript. */
export const spoolnote: StandIn = { id: 'spoolnote', routers: (world) => ({ spoolnote: server(world) }) };

function server(world: StandInWorld): Router {
  const router = frameRouter(host);
  router.get('/frame/:code', (request, response) => {
    const item = world.items.find((i) => i.id === request.params.code);
    if (!item) return door(response, host, { status: 404, words: 'This spool is empty' });
    const topics = ['Stones and their song', 'Learning by ear', 'What to hand on'];
    const data = { title: item.title, author: item.author, media: `/media/${fileName(item)}.ogg`, lines: linesOf(item), topics };
    sendPlayer(response, host, data satisfies SpoolnoteData);
  });
  router.get('/r/:code.vtt', (request, response) => {
    const item = world.items.find((i) => i.id === request.params.code);
    if (!item) return void response.status(404).end();
    const stamp = (s: number): string => new Date(s * 1000).toISOString().slice(11, 23);
    const lines = linesOf(item);
    const cues = lines.map(
      ({ at, text }, i) => `${stamp(at)} --> ${stamp(lines[i + 1]?.at ?? item.duration ?? at + 5)}\n${text}`,
    );
    response.type('text/vtt').send(`WEBVTT\n\n${cues.join('\n\n')}\n`);
  });
  return router.use(shareRouter(host, world));
}
