/** What a page editor does with a text: each line is a paragraph, and a link that stands alone is asked for (oEmbed 1.0). */
const text = document.querySelector<HTMLTextAreaElement>('#text')!;
const publish = document.querySelector<HTMLButtonElement>('#publish')!;
const article = document.querySelector('article')!;

const paragraph = (words: string): HTMLElement => Object.assign(document.createElement('p'), { textContent: words });

async function blockOf(line: string): Promise<Node> {
  if (!/^https?:\/\/\S+$/.test(line)) return paragraph(line);
  const { provider, site } = publish.dataset;
  const asked = new URLSearchParams({ url: line, maxwidth: String(article.clientWidth), site: site! });
  const answer = await fetch(`${provider}?${asked.toString()}`);
  // Who answers nothing of use leaves the link as it is.
  if (!answer.ok) return paragraph(line);
  const { html } = (await answer.json()) as { html: string };
  return document.createRange().createContextualFragment(html);
}

publish.addEventListener('click', () => {
  const lines = text.value.split('\n').filter((line) => line.trim() !== '');
  void Promise.all(lines.map((line) => blockOf(line.trim()))).then((blocks) => article.replaceChildren(...blocks));
});
