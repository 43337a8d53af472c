import { Component, type ReactElement, type ReactNode } from 'react';

/** Stands in for the screen when something of it breaks: what was made is kept, and is there after loading anew. */
export class Unbroken extends Component<{ children: ReactNode }, { broken: boolean }> {
  override state = { broken: false };

  static getDerivedStateFromError = (): { broken: boolean } => ({ broken: true });

  override render(): ReactNode {
    return this.state.broken ? <Broken /> : this.props.children;
  }
}

const Broken = (): ReactElement => (
  <main className="not-loaded" role="alert">
    <h1>Something broke in Refenestra itself</h1>
    <p>
      What you have made is kept in this browser. Load the page anew to go on; if it breaks again, undo your last change there.
    </p>
    <button type="button" onClick={() => location.reload()}>
      Load it anew
    </button>
  </main>
);
