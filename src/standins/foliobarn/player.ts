import { pageData, part, report } from '../shared/player.ts';

const data = pageData<{ title: string; author: string; leaves: string[] }>();
const asked = new URLSearchParams(location.search);
const bare = asked.get('bare') === '1';
let leaf = Math.min(data.leaves.length, Math.max(1, Number(asked.get('leaf')) || 1));

const LINES = [
  'The first thing is to look at the water, and the second is to look again.',
  'What is written here was tried on many tides and is changed when it proves wrong.',
  'Ask whoever was here before you. If nobody was, write down what you did.',
  'Nothing is so urgent that it cannot wait for slack water.',
];

const paragraph = (text: string): HTMLParagraphElement => Object.assign(document.createElement('p'), { textContent: text });

function open(next: number, did: 'opened' | 'turned'): void {
  leaf = Math.min(data.leaves.length, Math.max(1, next));
  const heading = Object.assign(document.createElement('h1'), { textContent: data.leaves[leaf - 1]! });
  const lines = Array.from({ length: 9 }, (_, i) => paragraph(LINES[(leaf + i) % LINES.length]!));
  part('leaf').replaceChildren(
    heading,
    ...lines,
    Object.assign(document.createElement('footer'), { textContent: `${data.author} · ${leaf}` }),
  );
  part('count').textContent = `${leaf} / ${data.leaves.length}`;
  report({ folio: { did, leaf, title: data.title, bare } });
}

part('title').textContent = data.title;
part('tools').hidden = bare;
part('back').onclick = () => open(leaf - 1, 'turned');
part('on').onclick = () => open(leaf + 1, 'turned');
open(leaf, 'opened');
