import { Button } from '@mui/material';
import type { ReactElement } from 'react';
import { LEAST_CONTRAST } from '../../../core/model/contrast.ts';
import type { Site } from '../../../core/model/site.ts';
import { parseColour } from '../../../core/model/values.ts';
import { t } from '../../../messages/t.ts';
import { ColourField, Contrast } from '../../fields/ColourField.tsx';
import { WordsField } from '../../fields/WordsField.tsx';

interface LooksProps {
  name: string;
  looks: Site['light'];
  set: (looks: Site['light']) => void;
  wrong: string | undefined;
}

/** Text and ground of one theme, with their contrast. */
export const Looks = ({ name, looks, set, wrong }: LooksProps): ReactElement => (
  <div className="line mb-2 gap-x-2.5 gap-y-1.5 [&_b]:min-w-16 [&_b]:border [&_b]:border-line [&_b]:px-2 [&_b]:py-[3px]">
    <b style={{ color: parseColour(looks.text), background: parseColour(looks.ground) }}>{name}</b>
    <ColourField
      labelled="hidden"
      label={t('{name}: text', { name })}
      value={looks.text}
      set={(text) => set({ ...looks, text })}
    />
    <ColourField
      labelled="hidden"
      label={t('{name}: background', { name })}
      value={looks.ground}
      set={(ground) => set({ ...looks, ground })}
    />
    <Contrast one={looks.text} other={looks.ground} least={LEAST_CONTRAST.text} />
    {wrong && <small className="wrong">{wrong}</small>}
  </div>
);

interface PaletteProps {
  site: Site;
  set: (palette: Site['palette']) => void;
  wrong: string | undefined;
}

/** The brand colours by name, each with its contrast against both grounds. */
export function Palette({ site, set, wrong }: PaletteProps): ReactElement {
  const { palette, light, dark } = site;
  const put = (at: number, part: Partial<Site['palette'][number]>): void =>
    set(palette.map((one, i) => (i === at ? { ...one, ...part } : one)));
  return (
    <table className="palette max-tablet:block max-tablet:overflow-x-auto [&_td]:border-0 [&_td]:py-[3px] [&_td]:pr-[7px] [&_td]:align-middle [&_td:first-child_.box]:w-[78px]">
      <thead>
        <tr>
          <th scope="col">{t('Brand colour')}</th>
          <th scope="col">{t('Value')}</th>
          <th scope="col">{t('On light')}</th>
          <th scope="col">{t('On dark')}</th>
          <td />
        </tr>
      </thead>
      <tbody>
        {palette.map(({ name, colour }, i) => (
          <tr key={i}>
            <td>
              <WordsField
                label={t('Name of colour {i}', { i: i + 1 })}
                labelled="hidden"
                value={name}
                set={(next) => put(i, { name: next })}
              />
            </td>
            <td>
              <ColourField
                labelled="hidden"
                label={t('Value of colour {i}', { i: i + 1 })}
                value={colour}
                set={(next) => put(i, { colour: next })}
              />
            </td>
            <td>
              <Contrast one={colour} other={light.ground} least={LEAST_CONTRAST.parts} />
            </td>
            <td>
              <Contrast one={colour} other={dark.ground} least={LEAST_CONTRAST.parts} />
            </td>
            <td>
              <button
                type="button"
                className="inline-remedy"
                aria-label={t('Remove {name}', { name })}
                onClick={() => set(palette.filter((_, at) => at !== i))}
              >
                {t('Remove')}
              </button>
            </td>
          </tr>
        ))}
      </tbody>
      <tfoot>
        <tr>
          <td colSpan={5}>
            <Button
              disabled={palette.length >= 24}
              onClick={() =>
                set([...palette, { name: t('Colour {number}', { number: palette.length + 1 }), colour: light.text }])
              }
            >
              {t('Add a colour')}
            </Button>
            {wrong && <small className="wrong">{wrong}</small>}
          </td>
        </tr>
      </tfoot>
    </table>
  );
}
