import express from 'express';
import request from 'supertest';
import { describe, expect, test } from 'vitest';
import { Answers, secondsOf } from './answers.ts';

const url = new URL('https://media.example/a');

describe('how long an answer holds', () => {
  test.each([
    ['as it says', 200, { 'cache-control': 'max-age=60' }, 60],
    ['less what it is old already', 200, { 'cache-control': 'max-age=60', age: '20' }, 40],
    ['no time, where it says so', 200, { 'cache-control': 'no-store, max-age=60' }, 0],
    ['no time for others, where it is private', 200, { 'cache-control': 'private, max-age=60' }, 0],
    ['no time, where it says nothing', 200, { 'last-modified': 'Mon, 02 Nov 2026 08:00:00 GMT' }, 0],
    ['no time for trouble that passes', 503, { 'retry-after': '5' }, 0],
  ])('%s', (_, status, headers, seconds) => expect(secondsOf({ url, status, headers })).toBeCloseTo(seconds, 0));
});

/** An interface that answers with how often it asked; an answer holds for as many seconds as the body says. */
function counting() {
  const answers = new Answers<{ asked: number }>('counted');
  let asked = 0;
  const app = express().post('/', express.json(), answers.known, async (incoming, response) => {
    const { seconds } = incoming.body as { seconds: number };
    const find = async () => {
      const answer = { asked: ++asked };
      await new Promise((done) => setTimeout(done, 20));
      return { answer, seconds };
    };
    response.json(await answers.ask(incoming.body as object, find));
  });
  return async (body: object) => ((await request(app).post('/').send(body)).body as { asked: number }).asked;
}

describe('answers', () => {
  test('that hold are given again', async () => {
    const ask = counting();
    expect([await ask({ seconds: 60 }), await ask({ seconds: 60 }), await ask({ seconds: 61 })]).toEqual([1, 1, 2]);
    expect([await ask({ seconds: 60, url: 'a' }), await ask({ url: 'a', seconds: 60 })]).toEqual([3, 3]);
  });

  test('that hold for no time are asked for again, but by one at a time', async () => {
    const ask = counting();
    expect(await Promise.all([ask({ seconds: 0 }), ask({ seconds: 0 }), ask({ seconds: 0 })])).toEqual([1, 1, 1]);
    expect(await ask({ seconds: 0 })).toBe(2);
  });
});
