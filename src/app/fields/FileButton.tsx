import { Button } from '@mui/material';
import type { ReactElement } from 'react';
import { readText, type NamedText } from '../ui/files.ts';

interface Props<Given> {
  words: string;
  /** Extensions and types, as the `accept` attribute of HTML lists them; all where it is left out. */
  accept?: string;
  multiple?: boolean;
  /** Whether a folder is chosen, with all that is in it. */
  folder?: boolean;
  disabled?: boolean;
  variant?: 'contained' | 'outlined' | 'text';
  /** Is called with what was chosen; not at all when nothing was. */
  give: (files: Given[]) => unknown;
}

/** A button that opens files; the field is empty again afterwards, so that the same file can be chosen anew. */
export const FileButton = ({
  words,
  accept,
  multiple = false,
  folder = false,
  disabled = false,
  variant = 'text',
  give,
}: Props<File>): ReactElement => (
  <Button component="label" role={undefined} variant={variant} disabled={disabled}>
    {words}
    <input
      type="file"
      accept={accept}
      className="hidden-words"
      multiple={multiple}
      disabled={disabled}
      {...(folder && { webkitdirectory: '' })}
      onChange={({ target }) => {
        const files = [...(target.files ?? [])];
        target.value = '';
        if (files.length > 0) give(files);
      }}
    />
  </Button>
);

/** A button that opens files as texts, whatever their encoding. */
export const TextFileButton = ({ give, ...button }: Props<NamedText>): ReactElement => (
  <FileButton {...button} give={(files) => void Promise.all(files.map(readText)).then(give)} />
);
