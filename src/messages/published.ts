import type { Loss } from '../core/proof/published/loss.ts';
import { t } from './t.ts';

/** Sentences about what a site made of the code. */
type Sentences = { [Code in Loss['code']]: (loss: Extract<Loss, { code: Code }>) => string };

/** What visitors notice when an attribute is gone. */
const WITHOUT: Readonly<Record<string, string>> = {
  src: t('there is nothing to show'),
  srcdoc: t('there is no cover, and the host is asked as the page opens'),
  style: t('it has the size and the border that browsers give a frame by themselves, or that of width and height'),
  title: t('screen readers say its address, or nothing'),
  width: t('it is 300 px wide, as browsers make it'),
  height: t('it is 150 px high, as browsers make it'),
  allow: t('browsers block what the frame has no permission for, such as autoplay and full screen'),
  allowfullscreen: t('it cannot fill the screen'),
  loading: t('it loads with the page, not when a visitor comes near'),
  sandbox: t('nothing in it is held back'),
  referrerpolicy: t('the host is told the address of the page, as browsers do by themselves'),
  class: t('the site’s own styles for it do not take hold'),
  id: t('links to it lead nowhere'),
};

const WITHOUT_PROPERTY: Readonly<Record<string, string>> = {
  'aspect-ratio': t('its height no longer follows its width'),
  width: t('it no longer has the width that it should'),
  'max-width': t('it may grow wider than it should'),
  height: t('it no longer has the height that it should'),
  'padding-top': t('it has no height'),
  position: t('it no longer lies where its wrapper keeps room for it'),
  border: t('browsers draw a line around it'),
  margin: t('it is not where it should be in the column'),
  'margin-inline': t('it is not where it should be in the column'),
  background: t('its background is that of the page'),
};

const SENTENCES: Sentences = {
  gone: () => t('Nothing of the embed is there. This site takes such code out altogether.'),
  asText: () =>
    t('The code itself is shown as text: visitors read it, and see nothing of the embed. It was pasted where words belong.'),
  linkOnly: () => t('Only its address is left. This site takes frames out, and keeps links.'),
  doubled: ({ times }) => t('It is there {times} times: every visitor loads it as often.', { times }),
  elementGone: ({ tag }) =>
    tag === 'script'
      ? t('The script was taken out: only what it should have filled is left.')
      : t('The element {tag} was taken out: what it did around the embed is gone.', { tag }),
  attributeGone: ({ name }) =>
    t('The attribute {name} was taken out: {effect}.', {
      name,
      effect: WITHOUT[name] ?? t('what it asked for does not happen'),
    }),
  attributeChanged: ({ name, was, now }) =>
    t('The attribute {name} is another: “{now}” for “{was}”.', { name, now: brief(now), was: brief(was) }),
  attributeNew: ({ name, now }) => t('The site added {name}="{now}".', { name, now: brief(now) }),
  propertyGone: ({ name }) =>
    t('The style {name} was taken out: {effect}.', {
      name,
      effect: WITHOUT_PROPERTY[name] ?? t('it looks otherwise'),
    }),
  propertyChanged: ({ name, was, now }) => t('The style {name} is {now} for {was}.', { name, now: brief(now), was: brief(was) }),
};

const brief = (text: string): string => (text.length > 60 ? `${text.slice(0, 59)}…` : text);

export const sayLoss = (loss: Loss): string => SENTENCES[loss.code](loss as never);
