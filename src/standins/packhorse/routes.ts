import { Router } from 'express';
import mustache from 'mustache';
import { createHash } from 'node:crypto';
import { join } from 'node:path';
import { addressOf, type StandIn } from '../standIn.ts';
import { DEMO_FOLDER, readFolder } from '../world.ts';

/** SHA-256 (FIPS 180-4) in hexadecimal digits. */
const checksum = (text: string): string => createHash('sha256').update(text).digest('hex');

const ID = 'packhorse';
const PAGE = `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>Packhorse · cards of the mill road</title></head>
<body style="font:16px/1.5 Georgia,serif;max-width:36em;margin:3em auto;padding:0 1em">
<h1>Cards of the mill road</h1><p>Host cards that three houses of the mill road keep together.</p>
<p><label>The list <input readonly size="44" value="{{list}}"></label></p>
<form method="post" action="/next"><button>Put the next edition out</button></form><p>This is edition {{edition}}.</p></body></html>`;

/** Packhorse: a card library at an address, whose keepers can put a next edition out. */
export const packhorse: StandIn = {
  id: ID,
  routers: ({ origin }) => {
    let edition = 1;
    const here = addressOf(ID, origin);
    const files = readFolder(join(DEMO_FOLDER, 'library'), origin).map(({ name, text }) => ({
      id: name.replace('.json', ''),
      text,
    }));
    /** What the films’ host said of itself at first was less. */
    const textOf = ({ id, text }: { id: string; text: string }): string => {
      if (id !== 'quernhill' || edition > 1) return text;
      const card = JSON.parse(text) as { settings: Record<string, unknown>; updated: string };
      delete card.settings.controls;
      return JSON.stringify({ ...card, updated: '2026-09-30' }, null, 2);
    };
    const router = Router();
    router.get('/', (_, response) => void response.send(mustache.render(PAGE, { list: `${here}/cards.json`, edition })));
    router.post('/next', (_, response) => {
      edition++;
      response.redirect(303, '/');
    });
    router.get('/cards.json', (_, response) => {
      const cards = files.map((file) => {
        const version = file.id === 'quernhill' ? edition : 1;
        return { id: file.id, version, sha256: checksum(textOf(file)), at: `cards/${file.id}.json` };
      });
      response.json({ format: 'refenestra-card-library/1', name: 'Cards of the mill road', cards });
    });
    router.get('/cards/:name', ({ params }, response) => {
      const file = files.find(({ id }) => `${id}.json` === params.name);
      return file ? response.type('json').send(textOf(file)) : response.sendStatus(404);
    });
    return { [`${ID}`]: router };
  },
};
