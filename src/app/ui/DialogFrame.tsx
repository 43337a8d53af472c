import { Button, Dialog, DialogContent, DialogTitle } from '@mui/material';
import { useId, type ReactElement, type ReactNode } from 'react';
import { t } from '../../messages/t.ts';

interface Props {
  title: string;
  close: () => void;
  wide?: boolean;
  className?: string;
  /** What can be done, before Close. */
  actions?: ReactNode;
  children: ReactNode;
}

/** A dialog over the screen: its title, its content, what can be done, and a way out. */
export function DialogFrame({ title, close, wide = false, className, actions, children }: Props): ReactElement {
  const id = useId();
  return (
    <Dialog open onClose={close} {...(wide && { maxWidth: 'md', fullWidth: true })} aria-labelledby={id}>
      <DialogTitle id={id}>{title}</DialogTitle>
      <DialogContent className={className}>
        {children}
        <div className="line mt-3">
          {actions}
          <Button variant="outlined" onClick={close}>
            {t('Close')}
          </Button>
        </div>
      </DialogContent>
    </Dialog>
  );
}
