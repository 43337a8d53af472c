import { defineForm } from '../form.ts';
import { boxHeight } from '../../../model/box.ts';
import { serialise } from '../tree.ts';
import { pictureAddress } from '../structuredData.ts';
import { responsive } from './responsive.ts';

export const oembed = defineForm({
  id: 'oembed',
  label: 'oEmbed answer',
  help: 'The answer that a site of its own would give for this item, as JSON (oEmbed 1.0).',
  language: 'text',
  carries: 'nothing',
  cover: 'picture',
  file: { ending: 'json', type: 'application/json' },
  write: (input) => {
    const { item, plan, facts } = input;
    const answer = {
      version: '1.0',
      type: item.kind === 'video' || item.kind === 'live' || item.kind === 'loop' ? 'video' : 'rich',
      title: plan.frame.title ?? facts.title,
      author_name: facts.author,
      thumbnail_url: pictureAddress(input),
      width: plan.box.width,
      height: boxHeight(plan.box),
      html: serialise(responsive.write(input), 'html').text,
    };
    return [{ pieces: [{ text: JSON.stringify(answer, null, 2), origin: 'item' }] }];
  },
});
