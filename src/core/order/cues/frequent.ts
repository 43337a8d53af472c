import type { Cue } from '../order.ts';

/** Shorter ones say little in the languages that are counted here. */
const SHORTEST = 4;

/** A word, and how often it is said. */
export interface Frequent {
  /** As it is written most often. */
  word: string;
  count: number;
  /** Where it is said first, in seconds. */
  first: number;
}

/**
 * The words that occur most in a transcript, `most` of them, without those that every text has: what stands in so many of
 * its lines that it tells none of them from the others, and what is short. Words are told apart as Unicode does (UAX 29).
 */
export function frequentWords(cues: readonly Cue[], { language, most }: { language: string; most: number }): Frequent[] {
  const parts = new Intl.Segmenter(language, { granularity: 'word' });
  const stop = STOP_WORDS.get(language.split('-')[0]!.toLowerCase()) ?? NONE;
  const found = new Map<string, { count: number; first: number; forms: Map<string, number> }>();
  for (const { from, text } of cues)
    for (const { segment, isWordLike } of parts.segment(text)) {
      const key = segment.toLocaleLowerCase(language);
      if (!isWordLike || segment.length < SHORTEST || /^\d/.test(segment) || stop.has(key)) continue;
      const known = found.get(key) ?? { count: 0, first: from, forms: new Map<string, number>() };
      known.count++;
      known.forms.set(segment, (known.forms.get(segment) ?? 0) + 1);
      found.set(key, known);
    }
  return [...found.values()]
    .filter(({ count }) => count > 1)
    .sort((a, b) => b.count - a.count || a.first - b.first)
    .slice(0, most)
    .map(({ count, first, forms }) => ({ word: [...forms].sort((a, b) => b[1] - a[1])[0]![0], count, first }));
}

const NONE: ReadonlySet<string> = new Set();
const words = (text: string): ReadonlySet<string> => new Set(text.split(' '));

/** Words of four letters and more that every text has, by language. */
const STOP_WORDS: ReadonlyMap<string, ReadonlySet<string>> = new Map([
  [
    'en',
    words(
      'about after again also although always another because been before being between both came could does done down each even ever every from goes going gone have having here into itself just know like made make many more most much must never only other over really same should since some still such take than that their them then there these they thing things this those through today under until very want well were what when where which while will with without would your yours you’re it’s that’s don’t there’s we’re they’re can’t didn’t doesn’t isn’t I’ve we’ve I’m he’s she’s let’s',
    ),
  ],
  [
    'de',
    words(
      'aber alle allem allen aller alles also andere anderen auch beim bereits bist dabei dadurch dafür damit dann daran darauf daraus darin darum dass davon dazu dein deine denen denn deren dessen deshalb dies diese diesem diesen dieser dieses doch dort durch eben eine einem einen einer eines einige einmal etwas euch eure gegen gehen gerade gibt haben hatte hatten hier hinter ihnen ihre ihrem ihren ihrer immer jede jedem jeden jeder jedes jetzt kann kannst kein keine keinem keinen keiner können konnte machen manche mein meine mehr mich muss müssen nach nicht nichts noch oder ohne schon sehr sein seine seinem seinen seiner selbst sich sind soll sollen sollte sondern sonst über unser unsere unter viel viele vielleicht vom wann warum was weil weiter welche welchem welchen welcher wenn werde werden weshalb wieder wird wirklich wohl wollen worden wurde wurden würde zum zur zwar zwischen',
    ),
  ],
]);
