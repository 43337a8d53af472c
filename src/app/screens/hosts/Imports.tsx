import { Button } from '@mui/material';
import { useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { sayCardProblem } from '../../../messages/library.ts';
import { importCards, importProviders } from '../../state/imports.ts';
import { useAppSelector, type Store } from '../../state/store.ts';
import { TextFileButton } from '../../fields/FileButton.tsx';
import { saveFile, type NamedText } from '../../ui/files.ts';
import { t } from '../../../messages/t.ts';

const JSON_FILES = '.json,application/json';

/** Bringing cards and provider lists in, and taking the user's own cards out. */
export function Imports(): ReactElement {
  const store = useStore() as Store;
  const own = useAppSelector((state) => state.world.ownCards);
  const providers = useAppSelector((state) => state.world.providers);
  const [answer, setAnswer] = useState<{ words: string; problems: string[] } | null>(null);
  const takeCards = async (files: NamedText[]): Promise<void> => {
    const { cards, problems } = await importCards(store, files);
    const refused = new Set(problems.map((p) => p.file)).size;
    const words =
      refused > 0
        ? t('{cards, plural, one {# card} other {# cards}} imported, {refused} refused:', { cards: cards.length, refused })
        : t('{cards, plural, one {# card} other {# cards}} imported.', { cards: cards.length });
    setAnswer({ words, problems: problems.map(sayCardProblem) });
  };
  const takeProviders = async ([file]: NamedText[]): Promise<void> => {
    const wrong = await importProviders(store, file!.text);
    setAnswer({
      words:
        wrong ??
        t('{count, plural, one {# provider} other {# providers}} imported.', { count: store.getState().world.providers.length }),
      problems: [],
    });
  };
  return (
    <div className="imports flex flex-col items-start gap-1 border-t border-t-hair pt-2">
      <TextFileButton words={t('Bring in cards')} accept={JSON_FILES} multiple give={takeCards} />
      <Button disabled={own.length === 0} onClick={() => saveFile('host-cards.json', JSON.stringify(own, null, 2))}>
        {t('Export my cards')}
      </Button>
      <TextFileButton words={t('Bring in a provider list')} accept={JSON_FILES} give={takeProviders} />
      <p className="text-quiet">
        {providers.length > 0
          ? t('{count} oEmbed providers are asked for links of no card.', { count: providers.length })
          : t('A list in the format of the oEmbed registry lets links of no card be asked.')}
      </p>
      <div role="status">
        {answer && <p>{answer.words}</p>}
        {answer && answer.problems.length > 0 && (
          <ul className="card-problems *:py-[3px]">
            {answer.problems.slice(0, 20).map((problem) => (
              <li key={problem}>{problem}</li>
            ))}
          </ul>
        )}
      </div>
    </div>
  );
}
