import { Button } from '@mui/material';
import { useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { compareBack, mainTag } from '../../../core/proof/published/compare.ts';
import { joinStrips, learn, type Loss } from '../../../core/proof/published/loss.ts';
import { survivor } from '../../../core/proof/published/survive.ts';
import { offeredInstead } from '../../../core/steps/write/forms/list.ts';
import { formChosen, kept } from '../../state/bench.ts';
import { keepSite } from '../../state/ownSites.ts';
import { selectEmbed, selectSite, selectVariant } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector, type Store } from '../../state/store.ts';
import { storageFound } from '../../state/view.ts';
import { savePublishedCode } from '../../storage/embeds.ts';
import { TextFileButton } from '../../fields/FileButton.tsx';
import { Losses } from '../../ui/Losses.tsx';
import { DialogFrame } from '../../ui/DialogFrame.tsx';
import { t } from '../../../messages/t.ts';
import { formLabelOf } from '../../../messages/labels.ts';
import { WordsField } from '../../fields/WordsField.tsx';

/** What the site made of the code that it was given, and the form of code that would survive there. */
export function PublishedCode({ close }: { close: () => void }): ReactElement {
  const [back, setBack] = useState('');
  const given = useAppSelector((state) => selectEmbed(state)?.code.text ?? '');
  const name = useAppSelector((state) => selectSite(state)?.name);
  const id = useAppSelector((state) => state.bench.present.id);
  const dispatch = useAppDispatch();
  const [keptBack, setKeptBack] = useState<string | null>(null);
  const keep = (): void => {
    const losses = compareBack(given, back).length;
    dispatch(kept(null));
    savePublishedCode({ id, date: Date.now(), given, back: back.slice(0, LONGEST_BACK), losses }).then(
      () => setKeptBack(back),
      () => dispatch(storageFound('full')),
    );
  };
  return (
    <DialogFrame
      title={t('Published code: what {name} made of it', { name })}
      close={close}
      wide
      className="[&_.MuiButton-root]:inline-flex [&_ul]:my-2"
      actions={
        back.trim() !== '' && (
          <Button variant="outlined" disabled={keptBack === back} onClick={keep}>
            {keptBack === back ? t('Kept with the embed') : t('Keep it with the embed')}
          </Button>
        )
      }
    >
      <WordsField
        label={t('Paste the source of the published page, or of the part with the embed')}
        labelled="above"
        lines={7}
        value={back}
        set={setBack}
      />
      <TextFileButton words={t('Open a saved page')} accept=".html,.htm,text/html" give={([file]) => setBack(file!.text)} />
      <div role="status">{back.trim() !== '' && <Outcome losses={compareBack(given, back)} given={given} close={close} />}</div>
    </DialogFrame>
  );
}

/** Of the published page as much is kept. */
const LONGEST_BACK = 200_000;

function Outcome({ losses, given, close }: { losses: readonly Loss[]; given: string; close: () => void }): ReactElement {
  return (
    <>
      <Losses losses={losses} />
      {losses.length > 0 && <Ways losses={losses} main={mainTag(given)} close={close} />}
    </>
  );
}

const nameOf = (loss: Loss): string => ('name' in loss ? loss.name : 'tag' in loss ? loss.tag : t('everything'));

/** What the site added is no loss. */
const isLost = ({ code }: Loss): boolean => code !== 'attributeNew';

/** What is still taken out of the code type that fares best, against what is taken out of the one in hand. */
function sayBest(form: string, still: readonly string[], now: readonly string[]): string {
  const values = { form, losses: still.join(', ') };
  return now.every((name) => still.includes(name))
    ? t('Of “{form}” the same is taken out, but does less harm there: {losses}.', values)
    : t('“{form}” loses least here; still taken out: {losses}.', values);
}

/** What can be done: another form of code, and keeping what was learnt in the site. */
function Ways({ losses, main, close }: { losses: readonly Loss[]; main: string; close: () => void }): ReactElement {
  const dispatch = useAppDispatch();
  const store = useStore() as Store;
  const site = useAppSelector(selectSite);
  const now = useAppSelector((state) => state.bench.present.form);
  const strips = learn(losses, main);
  const learnt = strips.scripts || strips.elements.length + strips.attributes.length + strips.properties.length > 0;
  const known = site && JSON.stringify(joinStrips(site.strips, strips)) === JSON.stringify(site.strips);
  const best = survivor(
    offeredInstead((form) => selectVariant(store.getState(), {}, form)?.code.text ?? ''),
    strips,
  );
  const take = (): void => {
    dispatch(formChosen(best.form));
    close();
  };
  return (
    <>
      {best.form === now ? (
        <p>{t('No other code type loses less here.')}</p>
      ) : (
        <p>
          {best.leads === 'link'
            ? t('This site keeps no frame; it keeps a link.')
            : best.losses.length === 0
              ? t('This site keeps “{form}” as it is.', { form: formLabelOf(best.form) })
              : sayBest(formLabelOf(best.form), best.losses.map(nameOf), losses.filter(isLost).map(nameOf))}
        </p>
      )}
      <div className="line mt-3">
        {best.form !== now && (
          <Button variant="contained" onClick={take}>
            {t('Use “{form}”', { form: formLabelOf(best.form) })}
          </Button>
        )}
        {site && learnt && (
          <Button
            variant="outlined"
            disabled={known === true}
            onClick={() => void keepSite(store, { ...site, strips: joinStrips(site.strips, strips) })}
          >
            {known ? t('Remembered for {site}', { site: site.name }) : t('Remember it for {site}', { site: site.name })}
          </Button>
        )}
      </div>
    </>
  );
}
