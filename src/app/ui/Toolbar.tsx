import { useEffect, useRef, type FocusEvent, type KeyboardEvent, type ReactElement, type ReactNode } from 'react';

const STEPS: Readonly<Record<string, number>> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

interface Props {
  label: string;
  className?: string;
  children: ReactNode;
}

/** Buttons that are one stop for the Tab key, with arrow keys between them (ARIA Authoring Practices, toolbar). */
export function Toolbar({ label, className, children }: Props): ReactElement {
  const bar = useRef<HTMLDivElement>(null);
  const last = useRef<HTMLElement | null>(null);
  const buttons = (): HTMLButtonElement[] => [...bar.current!.querySelectorAll<HTMLButtonElement>('button:not(:disabled)')];
  const stopAt = (stop: HTMLElement | undefined): void => {
    for (const button of buttons()) {
      const tabIndex = button === stop ? 0 : -1;
      // Writing what stands there already would make the browser look at its styles anew.
      if (button.tabIndex !== tabIndex) button.tabIndex = tabIndex;
    }
  };
  // The buttons come and go with what is set; the one that had the focus last stays the stop.
  useEffect(() => {
    const all = buttons();
    stopAt(all.find((button) => button === last.current) ?? all[0]);
  });
  const onFocus = ({ target }: FocusEvent<HTMLElement>): void => {
    last.current = target;
    stopAt(target);
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const all = buttons();
    const at = all.indexOf(event.target as HTMLButtonElement);
    const to = event.key === 'Home' ? 0 : event.key === 'End' ? all.length - 1 : at + (STEPS[event.key] ?? 0);
    if (at < 0 || to === at) return;
    event.preventDefault();
    all[(to + all.length) % all.length]!.focus();
  };
  return (
    <div ref={bar} role="toolbar" aria-label={label} className={className} onFocus={onFocus} onKeyDown={onKeyDown}>
      {children}
    </div>
  );
}
