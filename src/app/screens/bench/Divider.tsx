import { useRef, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { toggleCode } from '../../commands/toggleCode.ts';
import { CODE_WIDTH } from '../../state/benchLayout.ts';
import { layOut } from '../../state/layOut.ts';
import { useAppSelector, type Store } from '../../state/store.ts';
import { laidOut } from '../../state/view.ts';
import { arrowStep, useDrag } from '../../ui/useDrag.ts';
import { t } from '../../../messages/t.ts';

const within = (width: number): number => Math.round(Math.min(CODE_WIDTH.most, Math.max(CODE_WIDTH.least, width)));
const widthOf = (divider: HTMLElement): number =>
  divider.parentElement!.getBoundingClientRect().right - divider.getBoundingClientRect().right;

/** The edge between the page and the code (ARIA Authoring Practices, window splitter): drawn, moved by arrow keys, folded by Enter. */
export function Divider(): ReactElement {
  const store = useStore() as Store;
  const { code, codeShown } = useAppSelector((state) => state.view.layout);
  const edge = useRef<HTMLDivElement>(null);
  const from = useRef(0);
  const drag = useDrag({
    begin: () => {
      from.current = widthOf(edge.current!);
    },
    // Kept when it is let go: each step of the way need not be.
    move: (dx) => store.dispatch(laidOut({ code: within(from.current - dx), codeShown: true })),
    end: () => layOut(store, {}),
  });
  return (
    <div
      ref={edge}
      role="separator"
      tabIndex={0}
      className="cursor-col-resize touch-none border-l-2 border-l-line bg-pane area-[divider] hover:bg-green-wash focus-visible:bg-green-wash max-desk:hidden"
      aria-orientation="vertical"
      aria-label={t('Width of the code')}
      aria-valuemin={0}
      aria-valuemax={CODE_WIDTH.most}
      aria-valuenow={codeShown ? (code ?? CODE_WIDTH.least) : 0}
      title={t('Draw to make the code wider; press Enter, or double-click, to fold it')}
      onDoubleClick={() => toggleCode.run(store, true)}
      onKeyDown={(event) => {
        if (event.key === 'Enter') toggleCode.run(store, true);
        else if (arrowStep(event) !== 0)
          layOut(store, { code: within(widthOf(edge.current!) - arrowStep(event) * 4), codeShown: true });
        else return;
        event.preventDefault();
      }}
      {...drag}
    />
  );
}
