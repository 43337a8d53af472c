import { Component, type ReactElement, type ReactNode } from 'react';
import { t } from '../../messages/t.ts';

/** Stands in for the screen when something of it breaks: what was made is kept, and is there after loading anew. */
export class Unbroken extends Component<{ children: ReactNode; within?: boolean }, { error: unknown }> {
  override state: { error: unknown } = { error: null };

  static getDerivedStateFromError = (error: unknown): { error: unknown } => ({ error });

  override render(): ReactNode {
    if (this.state.error === null) return this.props.children;
    return <Broken error={this.state.error} within={this.props.within ?? false} />;
  }
}

/** What happened, and the ways on; within the house the other screens can still be reached. */
const Broken = ({ error, within }: { error: unknown; within: boolean }): ReactElement => (
  <div className="p-8" role="alert">
    <h1>{within ? t('This screen broke') : t('Something broke in Refenestra itself')}</h1>
    <p>
      {within
        ? t(
            'What you have made is kept in this browser. Load the page anew to go on; if it breaks again, open another screen at the side, or begin an empty embed.',
          )
        : t(
            'What you have made is kept in this browser. Load the page anew to go on; if it breaks again, open another screen, or begin an empty embed.',
          )}
    </p>
    <p>
      <small>{error instanceof Error ? error.message.slice(0, 300) : t('No more is known.')}</small>
    </p>
    <button type="button" onClick={() => location.reload()}>
      {t('Load it anew')}
    </button>{' '}
    <a href="/shelf">{t('Open the Shelf')}</a>
  </div>
);
