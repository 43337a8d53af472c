/** Words that go into the code itself, and so are the page's: covers, and what stands around the embed. */
export interface PageWords {
  /** On the cover of what plays, and of all else. */
  play: string;
  show: string;
  /** Title of a page that has no other. */
  cover: string;
  transcript: string;
  /** What a press loads, and from whom; `{host}` stands for the name of the host. */
  consent: string;
}

const WORDS: ReadonlyMap<string, PageWords> = new Map([
  ['en', { play: 'Play', show: 'Show', cover: 'Cover', transcript: 'Transcript', consent: 'A press loads this from {host}.' }],
  [
    'de',
    {
      play: 'Abspielen',
      show: 'Anzeigen',
      cover: 'Vorschau',
      transcript: 'Transkript',
      consent: 'Erst ein Klick lädt dies von {host}.',
    },
  ],
  [
    'fr',
    {
      play: 'Lire',
      show: 'Afficher',
      cover: 'Aperçu',
      transcript: 'Transcription',
      consent: 'Un clic charge ce contenu depuis {host}.',
    },
  ],
  [
    'es',
    {
      play: 'Reproducir',
      show: 'Mostrar',
      cover: 'Portada',
      transcript: 'Transcripción',
      consent: 'Al pulsar se carga desde {host}.',
    },
  ],
  [
    'nl',
    { play: 'Afspelen', show: 'Tonen', cover: 'Omslag', transcript: 'Transcript', consent: 'Een klik laadt dit van {host}.' },
  ],
  [
    'it',
    {
      play: 'Riproduci',
      show: 'Mostra',
      cover: 'Copertina',
      transcript: 'Trascrizione',
      consent: 'Un clic carica il contenuto da {host}.',
    },
  ],
]);

interface Speaker {
  language: string;
  words?: Partial<PageWords> | undefined;
}

/** The words in the language of the site (BCP 47; its primary part counts), those that it has of its own first. */
export function pageWords(site: Speaker | null): PageWords {
  const words = WORDS.get(site?.language.split('-')[0]!.toLowerCase() ?? 'en') ?? WORDS.get('en')!;
  return site?.words ? { ...words, ...Object.fromEntries(Object.entries(site.words).filter(([, word]) => word)) } : words;
}
