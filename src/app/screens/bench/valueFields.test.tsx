import { act, screen } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import { renderIn, storeWith, VIDEO } from '../../testing/render.tsx';
import { playerReported } from '../../state/view.ts';
import { ValueField } from './ValueField.tsx';

const given = (id: Parameters<typeof ValueField>[0]['id'], value?: Parameters<typeof ValueField>[0]['value']) => ({
  id,
  value,
  set: vi.fn(),
  close: vi.fn(),
});

/** The document of these tests has no cues (HTML, section 4.8.11.11), on which the reader builds its own. */
function stubCues(): void {
  vi.stubGlobal(
    'VTTCue',
    class {
      constructor(...[startTime, endTime, text]: [number, number, string]) {
        Object.assign(this, { startTime, endTime, text });
      }
    },
  );
}

describe('the field of a value', () => {
  test('a switch and a choice are one press each; what is chosen shows', async () => {
    const autoplay = given('autoplay', 'on');
    const user = renderIn(storeWith(VIDEO), <ValueField {...autoplay} />);
    expect(screen.getByRole('button', { pressed: true }).textContent).toBe('on');
    await user.click(screen.getByRole('button', { pressed: false }));
    expect(autoplay.set).toHaveBeenCalledExactlyOnceWith('off');
    // Pressing what is chosen already takes nothing back.
    await user.click(screen.getByRole('button', { pressed: true }));
    expect(autoplay.set).toHaveBeenCalledTimes(1);
  });

  test('a time is typed as people write it, and taken with Enter', async () => {
    const start = given('start', 9);
    const user = renderIn(storeWith(VIDEO), <ValueField {...start} />);
    const field = screen.getByRole<HTMLInputElement>('textbox');
    expect(field.value).toBe('0:09');
    await user.clear(field);
    await user.type(field, '1:30{Enter}');
    expect(start.set).toHaveBeenCalledExactlyOnceWith(90);
    expect(start.close).toHaveBeenCalledTimes(1);
  });

  test('what is no value of the setting is told, and neither taken nor left', async () => {
    const start = given('start');
    const user = renderIn(storeWith(VIDEO), <ValueField {...start} />);
    const field = screen.getByRole<HTMLInputElement>('textbox');
    await user.type(field, 'soon{Enter}');
    expect(field.getAttribute('aria-invalid')).toBe('true');
    expect(document.body.textContent).toContain('soon');
    expect(start.set).not.toHaveBeenCalled();
    expect(start.close).not.toHaveBeenCalled();
  });

  test('an unchanged value is no change', async () => {
    const start = given('start', 9);
    const user = renderIn(storeWith(VIDEO), <ValueField {...start} />);
    await user.type(screen.getByRole('textbox'), '{Enter}');
    expect(start.set).not.toHaveBeenCalled();
    expect(start.close).toHaveBeenCalled();
  });

  test('the second at which the preview stands is offered', async () => {
    const store = storeWith(VIDEO);
    store.dispatch(playerReported({ event: 'time', time: 42.7 }));
    const start = given('start');
    const user = renderIn(store, <ValueField {...start} />);
    await user.click(screen.getByRole('button', { name: /where the preview stands: 0:42/ }));
    expect(start.set).toHaveBeenCalledExactlyOnceWith(42);
  });

  test('the colours of the site are offered by their names', async () => {
    const accent = given('accent');
    const user = renderIn(storeWith(VIDEO), <ValueField {...accent} />);
    const offers = screen.getAllByRole('button');
    expect(offers.length).toBeGreaterThan(1);
    await user.click(offers[0]!);
    expect(accent.set).toHaveBeenCalledExactlyOnceWith(expect.stringMatching(/^#[0-9a-f]{6}$/));
  });

  test('a transcript comes of the host, where its card says where it is', async () => {
    stubCues();
    const asked: string[] = [];
    vi.stubGlobal('fetch', async (request: Request) => {
      asked.push(((await request.json()) as { url: string }).url);
      return asked.length === 1
        ? Response.json({ text: 'WEBVTT\n\n00:01.000 --> 00:02.000\nThe stone sings.\n', address: asked[0] })
        : new Response('', { status: 502 });
    });
    const transcript = given('transcript');
    const store = storeWith('http://spoolnote.localhost:4600/r/tsd401');
    const user = await act(() => Promise.resolve(renderIn(store, <ValueField {...transcript} />)));
    await user.click(await screen.findByRole('button', { name: 'Take that of the host' }));
    await screen.findByText('1 line, without their times.');
    expect(transcript.set).toHaveBeenCalledExactlyOnceWith('The stone sings.');
    await user.click(screen.getByRole('button', { name: 'Take that of the host' }));
    await screen.findByText('The host did not give the transcript. Save it as a file, and open that.');
    expect(new Set(asked)).toEqual(new Set(['http://spoolnote.localhost:4600/r/tsd401.vtt']));
    vi.unstubAllGlobals();
  });

  test('a transcript comes of a file, with who speaks, tells what is said most, and is told where it is too long', async () => {
    stubCues();
    const transcript = given('transcript');
    const user = await act(() => Promise.resolve(renderIn(storeWith(VIDEO), <ValueField {...transcript} />)));
    const field = await screen.findByLabelText<HTMLInputElement>('Open WebVTT, SubRip or text');
    const line = (at: number, words: string): string => `00:0${at}.000 --> 00:0${at + 1}.000\n<v Ann>${words}\n`;
    const file = (text: string): File => new File([text], 'said.vtt', { type: 'text/vtt' });
    await user.upload(field, file(`WEBVTT\n\n${line(1, 'The wheel turns.')}\n${line(3, 'This wheel does not.')}`));
    await screen.findByText('2 lines, without their times.');
    expect(transcript.set).toHaveBeenCalledExactlyOnceWith('Ann: The wheel turns. This wheel does not.');
    expect(screen.getByRole('list', { name: 'Said most' }).textContent).toBe('wheel 2 times, from 0:01');
    await user.upload(field, file('Only words.\n'));
    await screen.findByText('Read as plain text.');
    expect(transcript.set).toHaveBeenLastCalledWith('Only words.');
    await user.upload(field, file('x'.repeat(20_001)));
    await screen.findByText(/It is 20,001 characters long, and 20,000 go into the code/);
    expect(transcript.set).toHaveBeenCalledTimes(2);
  });
});
