import { Tokenizer } from 'htmlparser2';

const ignore = (): void => undefined;

/** A text taken apart into its tags and nothing else: what every reading of markup costs at least. */
export function tokenise(page: string): void {
  const tokenizer = new Tokenizer(
    { decodeEntities: true },
    {
      onattribdata: ignore,
      onattribentity: ignore,
      onattribend: ignore,
      onattribname: ignore,
      oncdata: ignore,
      onclosetag: ignore,
      oncomment: ignore,
      ondeclaration: ignore,
      onend: ignore,
      onopentagend: ignore,
      onopentagname: ignore,
      onprocessinginstruction: ignore,
      onselfclosingtag: ignore,
      ontext: ignore,
      ontextentity: ignore,
    },
  );
  tokenizer.write(page);
  tokenizer.end();
}
