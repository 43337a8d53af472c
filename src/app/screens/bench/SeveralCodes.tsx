import { Button } from '@mui/material';
import { strToU8, zipSync } from 'fflate';
import { useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { FORMS, type CodeFormId } from '../../../core/steps/write/forms/list.ts';
import { kept } from '../../state/bench.ts';
import { selectEmbed, selectFacts, selectItem, selectSite, selectVariant, selectWork } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector, type Store } from '../../state/store.ts';
import { copyText } from '../../copyText.ts';
import { saveFile } from '../../ui/files.ts';
import { DialogFrame } from '../../ui/DialogFrame.tsx';
import { fileOf, plainName } from '../../../core/many/kit/codeFile.ts';
import { t } from '../../../messages/t.ts';
import { formHelpOf, formLabelOf } from '../../../messages/labels.ts';
import { Tick } from '../../fields/Tick.tsx';

/** The same embed in several forms of code at once: together on the clipboard, or each as a file. */
export function SeveralCodes({ close }: { close: () => void }): ReactElement {
  const store = useStore() as Store;
  const dispatch = useAppDispatch();
  const site = useAppSelector(selectSite);
  const title = useAppSelector((state) => selectFacts(state).title ?? selectItem(state)?.id ?? null);
  const [wanted, setWanted] = useState<readonly CodeFormId[]>(
    FORMS.filter(({ id }) => site?.keeps.includes(id)).map(({ id }) => id),
  );
  const [said, setSaid] = useState('');
  const codes = wanted.flatMap((form) => {
    const code = selectVariant(store.getState(), {}, form)?.code;
    return code ? [{ form, text: code.text, label: formLabelOf(form) }] : [];
  });
  const take = (): void => {
    const embed = selectEmbed(store.getState());
    dispatch(kept(embed && { code: embed.code.text, work: selectWork(store.getState()) }));
  };
  const copy = (): void => {
    copyText(codes.map(({ label, text }) => `${label}\n${text}`).join('\n\n')).then(
      () => {
        setSaid(t('{count} codes copied, each under its name.', { count: codes.length }));
        take();
      },
      () => setSaid(t('The browser refused to copy. Save them as files instead.')),
    );
  };
  const save = (): void => {
    const files = codes.map((code) => fileOf(code, `${title ?? 'embed'} ${code.form}`));
    const zip = zipSync(Object.fromEntries(files.map(([name, text]) => [name, strToU8(text)])));
    saveFile(`${plainName(title)}.zip`, zip, 'application/zip');
    take();
  };
  return (
    <DialogFrame
      title={t('Several types of code')}
      close={close}
      actions={
        <>
          <Button variant="contained" disabled={codes.length === 0} onClick={copy}>
            {t('Copy them together')}
          </Button>
          <Button variant="outlined" disabled={codes.length === 0} onClick={save}>
            {t('Save them as files in a zip')}
          </Button>
        </>
      }
    >
      <div className="grid grid-cols-[repeat(auto-fit,minmax(220px,1fr))] gap-x-4 gap-y-1">
        {FORMS.map(({ id }) => (
          <Tick
            key={id}
            label={formLabelOf(id)}
            title={formHelpOf(id)}
            on={wanted.includes(id)}
            set={(on) => setWanted(FORMS.map((form) => form.id).filter((one) => (one === id ? on : wanted.includes(one))))}
          />
        ))}
      </div>
      <p role="status">{said}</p>
    </DialogFrame>
  );
}
