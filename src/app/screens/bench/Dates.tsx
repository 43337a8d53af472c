import { Button } from '@mui/material';
import type { ReactElement } from 'react';
import { sayOutOn } from '../../../messages/shelf.ts';
import { changed, datesSet, formChosen } from '../../state/bench.ts';
import { selectSite, selectWork } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { DialogFrame } from '../../ui/DialogFrame.tsx';
import { t } from '../../../messages/t.ts';
import { DateField } from '../../fields/DateField.tsx';

/** When the item, and the page with it, come out; until then a cover can say so. */
export function Dates({ close }: { close: () => void }): ReactElement {
  const dispatch = useAppDispatch();
  const { out, pageOut } = useAppSelector(selectWork);
  const today = useAppSelector((state) => state.view.today);
  const site = useAppSelector(selectSite);
  const set = (dates: { out?: string; pageOut?: string }): void => {
    const given = { out: out ?? '', pageOut: pageOut ?? '', ...dates };
    dispatch(datesSet({ out: given.out || null, pageOut: given.pageOut || null }));
  };
  const ahead = out !== null && out > today;
  const keepsScript = site?.keeps.includes('cover') === false && site.keeps.includes('cover-script');
  const cover = (): void => {
    dispatch(changed({ change: { load: 'ask', coverWords: sayOutOn(out!) } }));
    dispatch(formChosen(keepsScript ? 'cover-script' : 'cover'));
    close();
  };
  return (
    <DialogFrame
      title={t('Dates')}
      close={close}
      className="dates"
      actions={
        <Button variant="contained" disabled={!ahead} onClick={cover}>
          {t('Take the code with a cover that says so')}
        </Button>
      }
    >
      <DateField label={t('The public may see the item from')} value={out ?? ''} set={(day) => set({ out: day })} />
      <DateField label={t('The page goes out on')} value={pageOut ?? ''} set={(day) => set({ pageOut: day })} />
      <p className="text-quiet">
        {out === null
          ? t('Leave the first empty where the item can be seen already.')
          : ahead
            ? t('Both stand under “Calendar” on the Shelf. Until then nothing is loaded behind the cover.')
            : t('That day has come: nothing is in the way.')}
      </p>
    </DialogFrame>
  );
}
