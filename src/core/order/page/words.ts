/** The words of the page, in the language of the site. */
export interface PlayerWords {
  play: string;
  pause: string;
  next: string;
  back: string;
  list: string;
  transcript: string;
  search: string;
  found: string;
  none: string;
  follow: string;
  save: string;
  refused: string;
  stay: string;
  over: string;
  chapters: string;
  /** On a button, while what began by itself is not heard. */
  sound: string;
}

/** `{n}` and `{all}` stand for numbers, `{s}` for seconds. */
const WORDS: ReadonlyMap<string, PlayerWords> = new Map([
  [
    'en',
    {
      play: 'Play',
      pause: 'Pause',
      next: 'Next',
      back: 'Previous',
      list: 'Entries',
      transcript: 'Transcript',
      search: 'Search the transcript',
      found: '{n} of {all}',
      none: 'Not found',
      follow: 'Follow',
      save: 'Save the file',
      refused: 'This could not be played. The next one begins in {s} seconds.',
      stay: 'Stay here',
      over: 'All has been played.',
      chapters: 'Chapters',
      sound: 'Turn the sound on',
    },
  ],
  [
    'de',
    {
      play: 'Abspielen',
      pause: 'Anhalten',
      next: 'Weiter',
      back: 'Zurück',
      list: 'Beiträge',
      transcript: 'Transkript',
      search: 'Transkript durchsuchen',
      found: '{n} von {all}',
      none: 'Nicht gefunden',
      follow: 'Mitlaufen',
      save: 'Datei sichern',
      refused: 'Das ließ sich nicht abspielen. Der nächste Beitrag beginnt in {s} Sekunden.',
      stay: 'Hier bleiben',
      over: 'Alles ist abgespielt.',
      chapters: 'Kapitel',
      sound: 'Ton einschalten',
    },
  ],
  [
    'fr',
    {
      play: 'Lire',
      pause: 'Pause',
      next: 'Suivant',
      back: 'Précédent',
      list: 'Éléments',
      transcript: 'Transcription',
      search: 'Chercher dans la transcription',
      found: '{n} sur {all}',
      none: 'Introuvable',
      follow: 'Suivre',
      save: 'Enregistrer le fichier',
      refused: 'Lecture impossible. Le suivant commence dans {s} secondes.',
      stay: 'Rester ici',
      over: 'Tout a été lu.',
      chapters: 'Chapitres',
      sound: 'Activer le son',
    },
  ],
  [
    'es',
    {
      play: 'Reproducir',
      pause: 'Pausar',
      next: 'Siguiente',
      back: 'Anterior',
      list: 'Elementos',
      transcript: 'Transcripción',
      search: 'Buscar en la transcripción',
      found: '{n} de {all}',
      none: 'No se encontró',
      follow: 'Seguir',
      save: 'Guardar el archivo',
      refused: 'No se pudo reproducir. El siguiente empieza en {s} segundos.',
      stay: 'Quedarse aquí',
      over: 'Se ha reproducido todo.',
      chapters: 'Capítulos',
      sound: 'Activar el sonido',
    },
  ],
  [
    'nl',
    {
      play: 'Afspelen',
      pause: 'Pauzeren',
      next: 'Volgende',
      back: 'Vorige',
      list: 'Onderdelen',
      transcript: 'Transcript',
      search: 'Zoeken in het transcript',
      found: '{n} van {all}',
      none: 'Niet gevonden',
      follow: 'Volgen',
      save: 'Bestand opslaan',
      refused: 'Dit kon niet worden afgespeeld. Het volgende begint over {s} seconden.',
      stay: 'Hier blijven',
      over: 'Alles is afgespeeld.',
      chapters: 'Hoofdstukken',
      sound: 'Geluid aanzetten',
    },
  ],
  [
    'it',
    {
      play: 'Riproduci',
      pause: 'Pausa',
      next: 'Successivo',
      back: 'Precedente',
      list: 'Elementi',
      transcript: 'Trascrizione',
      search: 'Cerca nella trascrizione',
      found: '{n} di {all}',
      none: 'Non trovato',
      follow: 'Segui',
      save: 'Salva il file',
      refused: 'Impossibile riprodurlo. Il successivo inizia tra {s} secondi.',
      stay: 'Resta qui',
      over: 'Tutto è stato riprodotto.',
      chapters: 'Capitoli',
      sound: 'Attiva l’audio',
    },
  ],
]);

const primary = (language: string): string => language.split('-')[0]!.toLowerCase();

/** Whether the page has words in a language (BCP 47). */
export const speaks = (language: string): boolean => WORDS.has(primary(language));

/** By the primary part of the language (BCP 47); English where there are none of it. */
export const playerWords = (language: string): PlayerWords => WORDS.get(primary(language)) ?? WORDS.get('en')!;
