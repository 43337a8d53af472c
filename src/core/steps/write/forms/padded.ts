import { surround } from '../around.ts';
import { embedNodes } from '../embed.ts';
import { defineForm, type WriteInput } from '../form.ts';
import { edges, fluidSize, frameElement, paddingOf, widthStyle } from '../frame.ts';
import { joined, type Piece, type TreeNode } from '../tree.ts';

/** The frame lies over the wrapper, whose padding keeps the ratio. */
const OVER: Piece[] = [{ text: 'position:absolute;top:0;left:0;width:100%;height:100%' }];

export const padded = defineForm({
  id: 'padded',
  label: 'Responsive, older CSS',
  help: 'An iframe that keeps its shape by the padding of a wrapper, for editors that strip newer CSS.',
  language: 'html',
  carries: 'everything',
  shownAs: 'padded',
  insteadOf: 'frame',
  write: (input) =>
    surround(
      input,
      isWrapped(input) ? [wrapped(input)] : embedNodes(input, { attributes: [], style: fluidSize(input.plan.box) }),
    ),
});

const isWrapped = ({ plan }: WriteInput): boolean =>
  plan.box.height.by === 'ratio' && plan.media === null && plan.script === null;

function wrapped(input: WriteInput): TreeNode {
  const { plan } = input;
  const inner: TreeNode = {
    tag: 'div',
    attributes: [{ name: 'style', value: [{ text: 'position:relative;' }, paddingOf(plan.box)] }],
    children: [frameElement(input, { attributes: [], style: OVER }, 'inside')],
  };
  const style = joined([...(plan.box.mode === 'fill' ? [] : widthStyle(plan.box)), ...edges(plan)]);
  return style.length === 0 ? inner : { tag: 'div', attributes: [{ name: 'style', value: style }], children: [inner] };
}
