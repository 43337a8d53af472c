import { Button, TextField } from '@mui/material';
import script from 'hls.js/dist/hls.light.min.mjs?url';
import { useState, type ReactElement } from 'react';
import { orderSchema } from '../../../core/order/order.ts';
import { t } from '../../../messages/t.ts';
import { saveFile } from '../../ui/files.ts';

interface Props {
  address: string | undefined;
  set: (address: string | undefined) => void;
}

/** What streams need where a browser plays none by itself: a script that stands on the publisher's own site. */
export function StreamScript({ address, set }: Props): ReactElement {
  const [text, setText] = useState(address ?? '');
  const wrong = text.trim() !== '' && !isWebAddress(text.trim());
  const save = async (): Promise<void> => saveFile('stream-player.js', await (await fetch(script)).text(), 'text/javascript');
  const take = (next: string): void => {
    setText(next);
    if (next.trim() === '') set(undefined);
    else if (isWebAddress(next.trim())) set(next.trim());
  };
  return (
    <div className="line items-start gap-x-3 gap-y-1 [&_.MuiInputBase-input]:text-text [&_.MuiInputLabel-root]:text-text [&_.MuiTextField-root]:flex-[1_1_260px]">
      <p className="mt-2 mb-1 basis-full">
        {t('An entry is a stream, and Firefox plays none by itself. Save the script, put it on your site, and give its address.')}
      </p>
      <Button variant="outlined" onClick={() => void save()}>
        {t('Save the script')}
      </Button>
      <TextField
        size="small"
        label={t('Address of the script for streams')}
        value={text}
        error={wrong}
        helperText={wrong ? t('This is no web address.') : ' '}
        onChange={({ target }) => take(target.value)}
      />
    </div>
  );
}

const isWebAddress = (text: string): boolean => orderSchema.shape.streamScript.safeParse(text).success;
