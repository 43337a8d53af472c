import { Button } from '@mui/material';
import { useState, type ReactElement, type ReactNode } from 'react';
import { useStore } from 'react-redux';
import { useNavigate } from 'react-router';
import { readJson } from '../../../core/model/json.ts';
import { pageWords, type PageWords } from '../../../core/model/pageWords.ts';
import { siteSchema, type Site } from '../../../core/model/site.ts';
import { paletteToCss, paletteToTokens, tokensToPalette } from '../../../core/known/sites/palette.ts';
import { FORMS } from '../../../core/steps/write/forms/list.ts';
import { selectGiven } from '../../state/answers.ts';
import { keepSite } from '../../state/ownSites.ts';
import { removeSite } from '../../state/removing.ts';
import { useAppSelector, type Store } from '../../state/store.ts';
import { TextFileButton } from '../../fields/FileButton.tsx';
import { saveFile } from '../../ui/files.ts';
import { useKeptDraft } from '../../ui/useKeptDraft.ts';
import { HouseStylePart } from './HouseStylePart.tsx';
import { ColumnDrawing } from './ColumnDrawing.tsx';
import { Looks, Palette } from './Colours.tsx';
import { Specimen } from './Specimen.tsx';
import { sayProblem } from '../../../messages/problems.ts';
import { t } from '../../../messages/t.ts';
import { formLabelOf } from '../../../messages/labels.ts';
import { SCREEN_NAMES } from '../../../messages/screens.ts';
import { ChoiceField } from '../../fields/ChoiceField.tsx';
import { NumberField } from '../../fields/NumberField.tsx';
import { Tick } from '../../fields/Tick.tsx';
import { WordsField } from '../../fields/WordsField.tsx';

const STATES = { kept: t('Kept'), waiting: t('Keeping …'), wrong: t('Not kept: something is not right yet') } as const;
/** A field of a site: its name, its value, its unit in columns. */
const ROW = 'row grid grid-cols-[minmax(0,180px)_minmax(0,1fr)_auto] gap-x-2 gap-y-0.5 items-center mb-1.5';
const checkSite = (draft: Site): Site | undefined => siteSchema.safeParse(draft).data;

/** One site, open to change, and kept by itself. What is not right is told at its place, and nothing is kept until all of it is. */
export function SiteEditor({ site }: { site: Site }): ReactElement {
  const store = useStore() as Store;
  const own = useAppSelector((state) => state.world.ownSites.some(({ id }) => id === site.id));
  const shipped = useAppSelector((state) => selectGiven(state).sites.some(({ id }) => id === site.id));
  const navigate = useNavigate();
  const {
    draft,
    change: alter,
    state,
    undo,
  } = useKeptDraft(site, { check: checkSite, keep: (one) => void keepSite(store, one) });
  const checked = siteSchema.safeParse(draft);
  const change = (part: Partial<Site>): void => alter((before) => ({ ...before, ...part }));
  const wrong = (path: string): string | undefined => {
    const issue = checked.error?.issues.find((one) => one.path.join('.').startsWith(path));
    return issue && sayProblem(issue.message);
  };
  const drop = async (): Promise<void> => {
    await removeSite(store, site);
    if (!shipped) void navigate('/sites');
  };
  return (
    <section className="site min-w-0 px-5 pt-4 pb-10 [&_.box]:min-h-6.5" aria-label={t('Site {site}', { site: site.name })}>
      <header className="line mb-3">
        <h2 className="m-0 mr-auto text-head">{site.name}</h2>
        <span className="text-quiet" role="status">
          {STATES[state]}
        </span>
        <Button disabled={!undo} onClick={() => undo?.()}>
          {t('Undo the last change')}
        </Button>
        <Button onClick={() => saveFile(`${site.id}.site.json`, JSON.stringify(site, null, 2))}>{t('Export the site')}</Button>
        {own && <Button onClick={() => void drop()}>{shipped ? t('Back to the shipped one') : t('Remove the site')}</Button>}
      </header>
      <div className="grid items-start gap-4 min-[1000px]:grid-cols-[minmax(0,1fr)_auto]">
        <div className="grid grid-cols-[repeat(auto-fit,minmax(min(100%,420px),1fr))] border-t border-l border-t-line border-l-line">
          <Part title={t('Address')}>
            <TextRow label={t('Name')} value={draft.name} wrong={wrong('name')} set={(name) => change({ name })} />
            <TextRow
              label={t('Address of its pages')}
              value={draft.address}
              wrong={wrong('address')}
              set={(address) => change({ address })}
            />
            <TextRow
              label={t('Language')}
              value={draft.language}
              wrong={wrong('language')}
              set={(language) => change({ language })}
            />
          </Part>
          <Part title={t('Words in its pages')}>
            <SiteWords draft={draft} change={change} wrong={wrong} />
          </Part>
          <Part title={t('Column')}>
            <ColumnDrawing site={draft} />
            <div className="grid grid-cols-[repeat(2,minmax(0,1fr))] gap-x-4 gap-y-0 max-tablet:grid-cols-[minmax(0,1fr)] [&_.field.row]:grid-cols-[minmax(0,1fr)_72px_auto]">
              <NumberRow label={t('Column')} value={draft.column} wrong={wrong('column')} set={(column) => change({ column })} />
              <NumberRow
                label={t('Side margin')}
                value={draft.margin}
                wrong={wrong('margin')}
                set={(margin) => change({ margin })}
              />
              {(['phone', 'tablet', 'desktop'] as const).map((name) => (
                <NumberRow
                  key={name}
                  label={t('Width of a {screen}', { screen: SCREEN_NAMES[name] })}
                  value={draft.breakpoints[name]}
                  wrong={wrong(`breakpoints.${name}`)}
                  set={(pixels) => change({ breakpoints: { ...draft.breakpoints, [name]: pixels } })}
                />
              ))}
              <NumberRow
                label={t('Text size')}
                value={draft.typeface.size}
                wrong={wrong('typeface')}
                set={(size) => change({ typeface: { ...draft.typeface, size } })}
              />
              <NumberRow
                label={t('Space above embeds')}
                value={draft.space.above}
                wrong={wrong('space.above')}
                set={(above) => change({ space: { ...draft.space, above } })}
              />
              <NumberRow
                label={t('Space below embeds')}
                value={draft.space.below}
                wrong={wrong('space.below')}
                set={(below) => change({ space: { ...draft.space, below } })}
              />
            </div>
          </Part>
          <Part title={t('Colours')}>
            <Looks name={t('Light')} looks={draft.light} set={(light) => change({ light })} wrong={wrong('light')} />
            <Looks name={t('Dark')} looks={draft.dark} set={(dark) => change({ dark })} wrong={wrong('dark')} />
            <Tick
              label={t('Its pages turn dark for visitors who want that')}
              on={draft.followsTheme}
              set={(followsTheme) => change({ followsTheme })}
            />
            <Palette site={draft} set={(palette) => change({ palette })} wrong={wrong('palette')} />
            <div className="line">
              <Button onClick={() => saveFile('palette.tokens.json', JSON.stringify(paletteToTokens(draft.palette), null, 2))}>
                {t('Export as design tokens')}
              </Button>
              <Button onClick={() => saveFile('palette.css', paletteToCss(draft.palette), 'text/css')}>
                {t('Export as CSS')}
              </Button>
              <TextFileButton
                words={t('Bring in design tokens')}
                accept=".json,application/json"
                give={([file]) => {
                  const palette = readTokens(file!.text);
                  if (palette.length > 0) change({ palette });
                }}
              />
            </div>
          </Part>
          <Part title={t('House style')}>
            <HouseStylePart site={site} />
          </Part>
          <Part title={t('What its editor keeps')}>
            <CodeKept draft={draft} change={change} wrong={wrong} />
          </Part>
        </div>
        <Specimen site={draft} />
      </div>
    </section>
  );
}

const WORDS = [
  { word: 'play', label: t('Button on covers of video and sound') },
  { word: 'show', label: t('Button on other covers') },
  { word: 'transcript', label: t('Heading of a transcript') },
  { word: 'consent', label: t('Notice before anything is loaded') },
] as const satisfies readonly { word: keyof PageWords; label: string }[];

/** What covers and transcripts say. An empty field shows the words of the site's language, which then hold. */
function SiteWords({ draft, change, wrong }: KeptProps): ReactElement {
  const usual = pageWords({ language: draft.language });
  return (
    <>
      {WORDS.map(({ word, label }) => (
        <TextRow
          key={word}
          label={label}
          value={draft.words?.[word] ?? ''}
          instead={usual[word]}
          wrong={wrong(`words.${word}`)}
          set={(text) => change({ words: { ...draft.words, [word]: text === '' ? undefined : text } })}
        />
      ))}
    </>
  );
}

function readTokens(text: string): Site['palette'] {
  const data = readJson(text);
  return 'value' in data ? tokensToPalette(data.value) : [];
}

const STRIPPED = [
  { part: 'elements', label: t('Elements that it takes out') },
  { part: 'attributes', label: t('Attributes that it takes out') },
  { part: 'properties', label: t('Style properties that it takes out') },
] as const;

interface KeptProps {
  draft: Site;
  change: (part: Partial<Site>) => void;
  wrong: (path: string) => string | undefined;
}

function CodeKept({ draft, change, wrong }: KeptProps): ReactElement {
  const keep = (id: string, on: boolean): void =>
    change({ keeps: on ? [...draft.keeps, id] : draft.keeps.filter((one) => one !== id) });
  const frames = draft.frames?.join(' ') ?? '';
  return (
    <>
      <ChoiceField
        label={t('Code type to begin with')}
        className={ROW}
        value={draft.form}
        options={FORMS.map(({ id }) => [id, formLabelOf(id)])}
        set={(form) => change({ form })}
      />
      <fieldset className="mx-0 my-2 grid grid-cols-[repeat(2,minmax(0,1fr))] border border-hair px-2.5 py-1 max-tablet:grid-cols-[minmax(0,1fr)] [&_legend]:text-small [&_legend]:text-quiet">
        <legend>{t('Code types that stay whole there (none ticked: all are offered)')}</legend>
        {FORMS.map(({ id }) => (
          <Tick key={id} label={formLabelOf(id)} on={draft.keeps.includes(id)} set={(on) => keep(id, on)} />
        ))}
      </fieldset>
      <Tick
        label={t('It takes scripts out')}
        on={draft.strips.scripts}
        set={(scripts) => change({ strips: { ...draft.strips, scripts } })}
      />
      {STRIPPED.map(({ part, label }) => (
        <TextRow
          key={part}
          label={label}
          value={draft.strips[part].join(' ')}
          wrong={wrong(`strips.${part}`)}
          set={(text) => change({ strips: { ...draft.strips, [part]: text.split(/[\s,]+/).filter(Boolean) } })}
        />
      ))}
      <TextRow
        label={t('Short code template')}
        value={draft.shortcode ?? ''}
        wrong={wrong('shortcode')}
        set={(text) => change({ shortcode: text === '' ? undefined : text })}
      />
      <TextRow
        label={t('Hosts let into frames (empty: all)')}
        value={frames}
        wrong={wrong('frames')}
        set={(text) => change({ frames: text.trim() === '' ? null : text.split(/[\s,]+/).filter(Boolean) })}
      />
    </>
  );
}

const Part = ({ title, children }: { title: string; children: ReactNode }): ReactElement => (
  <section className="min-w-0 border-r border-b border-r-line border-b-line bg-pane px-4 pt-0 pb-3 max-tablet:[&>.field.row]:grid-cols-[minmax(0,1fr)_auto] max-tablet:[&>.field.row>label]:col-span-full">
    <h3>{title}</h3>
    {children}
  </section>
);

interface RowProps<Value> {
  label: string;
  value: Value;
  /** What holds where nothing is given. */
  instead?: string;
  wrong: string | undefined;
  set: (value: Value) => void;
}

const TextRow = ({ label, value, instead, wrong, set }: RowProps<string>): ReactElement => {
  // Typed as it is, so that a space at the end of a list does not vanish under the cursor.
  const [text, setText] = useState(value);
  return (
    <WordsField
      label={label}
      className={ROW}
      wrong={wrong}
      placeholder={instead}
      value={text}
      set={(typed) => (setText(typed), set(typed))}
    />
  );
};

const NumberRow = ({ label, value, wrong, set }: RowProps<number>): ReactElement => (
  <NumberField label={label} className={ROW} unit={t('px')} wrong={wrong} value={value} set={set} />
);
