import { element, mount, pageData, part, report } from '../shared/player.ts';
import type { AskmeadowData } from './routes.ts';

const data = pageData<AskmeadowData>();
mount(
  `<form data-part="form"><h1 data-part="title"></h1><div data-part="rows"></div><button>Send it off</button></form>`,
  data.title,
);
part('title').textContent = data.title;
part('rows').replaceChildren(
  ...data.questions.map((question) => {
    const row = element('label', question);
    row.append(document.createElement('input'));
    return row;
  }),
);
part('form').onsubmit = (event) => {
  event.preventDefault();
  part('form').replaceChildren(element('p', 'Thank you. It is on its way.'));
};
new ResizeObserver(() =>
  report({ meadow: { says: 'height', px: Math.ceil(part('form').getBoundingClientRect().height) } }),
).observe(part('form'));
