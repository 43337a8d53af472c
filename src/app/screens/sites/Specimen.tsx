import { Box } from '@mui/material';
import type { ReactElement } from 'react';
import { contrastOf } from '../../../core/model/contrast.ts';
import { pageWords } from '../../../core/model/pageWords.ts';
import type { Site } from '../../../core/model/site.ts';
import { parseColour } from '../../../core/model/values.ts';
import { t } from '../../../messages/t.ts';

/** How wide the page is drawn, in CSS pixels: a small phone, so that its text has its own size. */
const WIDTH = 320;

/** How a page of the site will look, with the place of an embed in it; it follows every change, right or not yet. */
export const Specimen = ({ site }: { site: Site }): ReactElement => (
  <Box
    component="figure"
    aria-label={t('How its pages look')}
    sx={{
      m: 0,
      position: 'sticky',
      top: 16,
      width: WIDTH,
      maxWidth: '100%',
      border: '1px solid var(--line)',
      '@media (min-width: 1000px) and (max-width: 1199px)': { zoom: 0.72 },
    }}
  >
    <SamplePage site={site} looks={site.light} />
    {site.followsTheme && <SamplePage site={site} looks={site.dark} />}
  </Box>
);

/** A length as it is being typed may be none, or beyond all that a page can have. */
const drawn = (length: number, most: number): number => (Number.isFinite(length) ? Math.min(length, most) : 0);

/** The words of the sample, in one theme of the site. */
function SamplePage({ site, looks }: { site: Site; looks: Site['light'] }): ReactElement {
  const { sample, space, typeface, palette } = site;
  const accent = parseColour(palette[0]?.colour ?? '') ?? parseColour(looks.text) ?? '#000000';
  const { play } = pageWords(site);
  return (
    <Box
      lang={site.language}
      style={{
        background: looks.ground,
        color: looks.text,
        fontFamily: typeface.family,
        fontSize: drawn(typeface.size, 32) || undefined,
        padding: `16px ${drawn(site.margin, WIDTH / 4)}px`,
      }}
      sx={{ lineHeight: 1.45, overflowWrap: 'anywhere', '& p': { m: 0 } }}
    >
      <Box component="p" sx={{ fontSize: '1.3em', fontWeight: 700, lineHeight: 1.2 }} style={{ marginBottom: 10 }}>
        {sample.heading}
      </Box>
      <p>{firstSentence(sample.before)}</p>
      <Box
        style={{
          maxWidth: drawn(site.column, 2000) || undefined,
          marginTop: 12 + drawn(space.above, 400),
          marginBottom: 12 + drawn(space.below, 400),
          borderColor: accent,
        }}
        sx={{ display: 'grid', placeItems: 'center', aspectRatio: '16 / 9', mx: 'auto', border: '2px solid' }}
      >
        <Box component="span" style={{ background: accent, color: onIt(accent) }} sx={{ px: 1.5, py: 0.5, fontWeight: 700 }}>
          {play}
        </Box>
      </Box>
      <p>{sample.caption}</p>
    </Box>
  );
}

/** Black or white, whichever is better read on a colour: one of them is read well on any (WCAG 2.2, 1.4.3). */
const onIt = (colour: string): string => (contrastOf('#000000', colour) > contrastOf('#ffffff', colour) ? '#000000' : '#ffffff');

const firstSentence = (text: string): string => /^.*?[.!?](?=\s|$)/s.exec(text)?.[0] ?? text;
