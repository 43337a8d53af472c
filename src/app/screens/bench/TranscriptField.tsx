import { Button } from '@mui/material';
import { useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { transcriptAt } from '../../../core/known/hosts/transcriptAt.ts';
import { settingOf } from '../../../core/known/settings/list.ts';
import type { Cue } from '../../../core/order/order.ts';
import { askPlayer } from '../../state/playerLink.ts';
import { fetchFeed } from '../../state/fetchFeed.ts';
import { selectBook, selectItem } from '../../state/selectors.ts';
import { useAppSelector, type Store } from '../../state/store.ts';
import { TextFileButton } from '../../fields/FileButton.tsx';
import type { NamedText } from '../../ui/files.ts';
import { SaidMost } from '../../ui/SaidMost.tsx';
import { TextValueField } from './TextValueField.tsx';
import type { ValueFieldProps } from './valueFieldProps.ts';
import { showNumber, t } from '../../../messages/t.ts';

/** What is said: typed, or of a file with times, which also tells what it is about and where. */
export function TranscriptField(props: ValueFieldProps): ReactElement {
  const store = useStore() as Store;
  const [cues, setCues] = useState<readonly Cue[]>([]);
  const [said, setSaid] = useState('');
  const { value: type } = settingOf(props.id);
  const longest = type.type === 'text' ? type.longest : 0;
  const item = useAppSelector(selectItem);
  const book = useAppSelector(selectBook);
  const address = item && transcriptAt(item, book);
  const fetchIt = async (from: string): Promise<void> => {
    setSaid(t('The transcript is being fetched …'));
    const answer = await fetchFeed(store.dispatch, from);
    if ('why' in answer) return setSaid(t('The host did not give the transcript. Save it as a file, and open that.'));
    await take([{ name: from, text: answer.text }]);
  };
  const take = async ([file]: NamedText[]): Promise<void> => {
    if (!file) return;
    const [{ readCues }, { asText }] = await Promise.all([
      import('../../../core/order/cues/cues.ts'),
      import('../../../core/order/cues/asText.ts'),
    ]);
    const read = (await readCues(file.text)) ?? [];
    const text = read.length > 0 ? asText(read) : file.text.trim();
    setCues(read);
    if (text.length > longest)
      return setSaid(
        t(
          'It is {count} characters long, and {longest} go into the code. A running order of this one item takes all of it, and follows it.',
          { count: showNumber(text.length), longest: showNumber(longest) },
        ),
      );
    if (text !== '') props.set(text);
    setSaid(
      read.length > 0
        ? t('{count, plural, one {# line} other {# lines}}, without their times.', { count: read.length })
        : t('Read as plain text.'),
    );
  };
  const jump = askPlayer(store, 'seek', { act: false })
    ? (time: number): void => void askPlayer(store, 'seek', { time })
    : undefined;
  return (
    <>
      {address && (
        <Button variant="outlined" onClick={() => void fetchIt(address)}>
          {t('Take that of the host')}
        </Button>
      )}
      <TextFileButton words={t('Open WebVTT, SubRip or text')} accept=".vtt,.srt,.txt" give={take} />
      {said !== '' && <p role="status">{said}</p>}
      {cues.length > 0 && <SaidMost transcript={cues} jump={jump} />}
      <TextValueField {...props} />
    </>
  );
}
