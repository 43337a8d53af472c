import { Button } from '@mui/material';
import type { ReactElement } from 'react';
import { readFiles, type NamedText } from './files.ts';

interface Props {
  words: string;
  /** Extensions and types, as the `accept` attribute of HTML lists them. */
  accept: string;
  multiple?: boolean;
  disabled?: boolean;
  /** Is called with the texts of the files; not at all when none was chosen. */
  give: (files: NamedText[]) => unknown;
}

/** A button that opens files of texts; the field is empty again afterwards, so that the same file can be chosen anew. */
export const FileButton = ({ words, accept, multiple = false, disabled = false, give }: Props): ReactElement => (
  <Button component="label" role={undefined} disabled={disabled}>
    {words}
    <input
      type="file"
      accept={accept}
      className="hidden-words"
      multiple={multiple}
      disabled={disabled}
      onChange={({ target }) => void readFiles(target).then((files) => files.length > 0 && give(files))}
    />
  </Button>
);
