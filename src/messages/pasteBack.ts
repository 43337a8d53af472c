import type { Loss } from '../core/proof/pasteBack/loss.ts';

/** Sentences about what a site made of the code. */
type Sentences = { [Code in Loss['code']]: (loss: Extract<Loss, { code: Code }>) => string };

/** What visitors notice when an attribute is gone. */
const WITHOUT: Readonly<Record<string, string>> = {
  src: 'there is nothing to show',
  srcdoc: 'there is no cover, and the host is asked as the page opens',
  style: 'it has the size and the border that browsers give a frame by themselves, or that of width and height',
  title: 'screen readers say its address, or nothing',
  width: 'it is 300 px wide, as browsers make it',
  height: 'it is 150 px high, as browsers make it',
  allow: 'browsers block what the frame has no permission for, such as autoplay and full screen',
  allowfullscreen: 'it cannot fill the screen',
  loading: 'it loads with the page, not when a visitor comes near',
  sandbox: 'nothing in it is held back',
  referrerpolicy: 'the host is told the address of the page, as browsers do by themselves',
  class: 'the site’s own styles for it do not take hold',
  id: 'links to it lead nowhere',
};

const WITHOUT_PROPERTY: Readonly<Record<string, string>> = {
  'aspect-ratio': 'its height no longer follows its width',
  width: 'it no longer has the width that it should',
  'max-width': 'it may grow wider than it should',
  height: 'it no longer has the height that it should',
  'padding-top': 'it has no height',
  position: 'it no longer lies where its wrapper keeps room for it',
  border: 'browsers draw a line around it',
  margin: 'it is not where it should be in the column',
  'margin-inline': 'it is not where it should be in the column',
  background: 'its background is that of the page',
};

const SENTENCES: Sentences = {
  gone: () => 'Nothing of the embed is there. This site takes such code out altogether.',
  asText: () =>
    'The code itself is shown as text: visitors read it, and see nothing of the embed. It was pasted where words belong.',
  linkOnly: () => 'Only its address is left. This site takes frames out, and keeps links.',
  doubled: ({ times }) => `It is there ${times} times: every visitor loads it as often.`,
  elementGone: ({ tag }) =>
    tag === 'script'
      ? 'The script was taken out: only what it should have filled is left.'
      : `The element ${tag} was taken out: what it did around the embed is gone.`,
  attributeGone: ({ name }) => `The attribute ${name} was taken out: ${WITHOUT[name] ?? 'what it asked for does not happen'}.`,
  attributeChanged: ({ name, was, now }) => `The attribute ${name} is another: “${brief(now)}” for “${brief(was)}”.`,
  attributeNew: ({ name, now }) => `The site added ${name}="${brief(now)}".`,
  propertyGone: ({ name }) => `The style ${name} was taken out: ${WITHOUT_PROPERTY[name] ?? 'it looks otherwise'}.`,
  propertyChanged: ({ name, was, now }) => `The style ${name} is ${brief(now)} for ${brief(was)}.`,
};

const brief = (text: string): string => (text.length > 60 ? `${text.slice(0, 59)}…` : text);

export const sayLoss = (loss: Loss): string => SENTENCES[loss.code](loss as never);
