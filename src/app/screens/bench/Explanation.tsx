import type { ReactElement } from 'react';
import { AS_IT_STANDS } from '../../../core/model/code.ts';
import type { Origin } from '../../../core/model/plan.ts';
import type { Embed } from '../../../core/pipeline.ts';
import { formOf, type CodeFormId } from '../../../core/steps/write/forms/list.ts';
import { sayOrigin } from '../../../messages/reading.ts';
import { saySetting } from '../../../messages/settings.ts';
import { sayState } from '../../../messages/plan.ts';
import { selectEmbed } from '../../state/selectors.ts';
import { useAppSelector } from '../../state/store.ts';
import { t } from '../../../messages/t.ts';
import { formHelpOf } from '../../../messages/labels.ts';

/** The line at the foot of the code: what it says moves nothing that somebody is about to press. */
export function Explanation(): ReactElement {
  const embed = useAppSelector(selectEmbed);
  // What takes more lines than there are is scrolled, by keys too.
  return (
    <p
      className="code-foot m-0 h-14 overflow-auto border-t border-t-hair bg-pane px-3 py-[3px] text-small leading-4 text-quiet max-desk:order-3 max-desk:h-auto max-desk:border-0"
      tabIndex={0}
    >
      {embed && <Words embed={embed} />}
    </p>
  );
}

/** What is pointed at, in words; otherwise what this form of code leaves out. */
function Words({ embed }: { embed: Embed }): ReactElement {
  const pointed: Origin | null = useAppSelector((state) => state.view.pointed);
  const entry = embed.plan.entries.find((e) => e.setting === pointed);
  if (pointed === 'item') return <>{sayOrigin(embed.item)}</>;
  if (pointed)
    return (
      <>
        {entry
          ? `${saySetting(pointed, entry.asked)}: ${sayState(entry)}`
          : t('{setting}: nothing is sent for it.', { setting: saySetting(pointed, undefined) })}
      </>
    );
  const written = new Set(embed.code.map.map((mark) => mark.origin));
  const textual = embed.code.form !== AS_IT_STANDS && formOf(embed.code.form as CodeFormId).carries !== 'everything';
  const left = embed.plan.entries.filter(
    (e) =>
      e.reason.code === 'formLacks' || (textual && (e.sent.length > 0 || e.state === 'done here') && !written.has(e.setting)),
  );
  if (left.length > 0)
    return <>{t('This code type cannot carry: {left}.', { left: left.map((e) => saySetting(e.setting, e.asked)).join(', ') })}</>;
  if (embed.code.form === AS_IT_STANDS && embed.item.running)
    return <>{t('Copied without what runs in it, unless you keep it.')}</>;
  if (embed.code.form === AS_IT_STANDS)
    return <>{t('Kept as it stands. Settings change their own characters only; type to change anything by hand.')}</>;
  if (embed.plan.script)
    return <>{t('The host’s own script code, since it has no frame to offer; the settings stand in its attributes.')}</>;
  return <>{formHelpOf(embed.code.form as CodeFormId)}</>;
}
