import { Button } from '@mui/material';
import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent, type ReactElement } from 'react';
import { cropTo, keptSize, type Focus, type Size } from '../../../core/model/crop.ts';
import { openWorker } from '../../askWorker.ts';
import type { CoverMade, CoverMaker, CoverWanted } from '../../../workers/messages.ts';
import { boxHeight } from '../../../core/model/box.ts';
import { selectEmbed, selectFacts } from '../../state/selectors.ts';
import { useAppSelector } from '../../state/store.ts';
import { loadPicture } from '../../state/server.ts';
import { TextValueField } from './TextValueField.tsx';
import { VALUE_FORM, type ValueFieldProps } from './valueFieldProps.ts';
import { t } from '../../../messages/t.ts';
import { ChoiceField } from '../../fields/ChoiceField.tsx';
import { FileButton } from '../../fields/FileButton.tsx';

/** Bytes of a cover within the code; more makes the code unwieldy. */
const MOST = 120_000;
const DENSITIES = [1, 2] as const;
const MIDDLE: Focus = { x: 0.5, y: 0.5 };

interface Picture {
  blob: Blob;
  address: string;
  size: Size;
}

/** The cover picture: from a file, from the host, or by its address; cropped to the frame, scaled and encoded. */
export function CoverField({ id, value, set, close }: ValueFieldProps): ReactElement {
  const [picture, setPicture] = useState<Picture | null>(null);
  const [trouble, setTrouble] = useState('');
  const cover = useAppSelector((state) => selectFacts(state).cover);
  const take = (blob: Promise<Blob>): void => {
    setTrouble('');
    blob
      .then(readPicture)
      .then(setPicture, () => setTrouble(t('This could not be read as a picture. Choose a JPEG, PNG or WebP file.')));
  };
  return (
    <div className="cover-field">
      <div className="mb-2.5 flex gap-2">
        <FileButton
          words={t('Choose a picture file')}
          accept="image/*"
          variant="outlined"
          give={([file]) => take(Promise.resolve(file!))}
        />
        {cover && (
          <Button variant="outlined" onClick={() => take(loadPicture(cover))}>
            {t('Take the host’s picture')}
          </Button>
        )}
      </div>
      {trouble && <p className="wrong">{trouble}</p>}
      {picture ? (
        <Cropper picture={picture} use={set} close={close} />
      ) : (
        <TextValueField
          id={id}
          value={typeof value === 'string' && value.startsWith('http') ? value : undefined}
          set={set}
          close={close}
          label={t('Or its address on your site')}
          first={false}
        />
      )}
      {typeof value === 'string' && value.startsWith('data:') && !picture && (
        <img className="block max-h-[120px] max-w-full border border-line" src={value} alt={t('The cover as it is')} />
      )}
    </div>
  );
}

async function readPicture(blob: Blob): Promise<Picture> {
  const bitmap = await createImageBitmap(blob);
  const { width, height } = bitmap;
  bitmap.close();
  const address = await new Promise<string>((done, fail) => {
    const reader = new FileReader();
    reader.onload = () => done(reader.result as string);
    reader.onerror = fail;
    reader.readAsDataURL(blob);
  });
  return { blob, address, size: { width, height } };
}

interface CropperProps {
  picture: Picture;
  use: (address: string) => void;
  close: () => void;
}

/** The picture with the part that the frame shows, used as it stands; a press, or the arrow keys, say what matters in it. */
function Cropper({ picture, use, close }: CropperProps): ReactElement | null {
  const embed = useAppSelector(selectEmbed);
  const [focus, setFocus] = useState(MIDDLE);
  const [density, setDensity] = useState<number>(2);
  const [type, setType] = useState<CoverWanted['type']>('image/webp');
  const box = embed?.plan.box;
  const ratio = box ? `${box.width}:${boxHeight(box)}` : '16:9';
  const crop = cropTo(picture.size, ratio, focus);
  const size = keptSize(crop, box?.width ?? 640, density);
  const made = useCover(picture.blob, { crop, size, type });
  const address = made && 'address' in made ? made.address : null;
  const latest = useRef(use);
  useEffect(() => {
    latest.current = use;
  });
  useEffect(() => {
    if (address !== null) latest.current(address);
  }, [address]);
  const point = (event: PointerEvent<HTMLDivElement>): void => {
    const { left, top, width, height } = event.currentTarget.getBoundingClientRect();
    setFocus({ x: (event.clientX - left) / width, y: (event.clientY - top) / height });
  };
  const step = (event: KeyboardEvent): void => {
    const [dx, dy] = ARROWS[event.key] ?? [0, 0];
    if (dx === 0 && dy === 0) return;
    event.preventDefault();
    const within = (share: number): number => Math.min(1, Math.max(0, share));
    setFocus(({ x, y }) => ({ x: within(x + dx), y: within(y + dy) }));
  };
  const share = (part: number, whole: number): string => `${(100 * part) / whole}%`;
  return (
    <form id={VALUE_FORM} action={close}>
      <div
        className="relative w-[fit-content] max-w-full cursor-crosshair touch-none overflow-hidden border border-line"
        role="slider"
        tabIndex={0}
        aria-label={t('What matters in the picture')}
        aria-valuenow={Math.round(focus.x * 100)}
        aria-valuetext={t('{x} % from the left, {y} % from the top', {
          x: Math.round(focus.x * 100),
          y: Math.round(focus.y * 100),
        })}
        onPointerDown={point}
        onKeyDown={step}
      >
        <img className="block max-h-[260px] max-w-full" src={picture.address} alt="" draggable={false} />
        <i
          className="cropper-part absolute [box-shadow:0_0_0_2000px_rgb(18_24_31_/_62%)] [outline:2px_solid_#fffdf8]"
          style={{
            left: share(crop.left, picture.size.width),
            top: share(crop.top, picture.size.height),
            width: share(crop.width, picture.size.width),
            height: share(crop.height, picture.size.height),
          }}
        />
        <i
          className="absolute -mt-2 mr-0 mb-0 -ml-2 h-4 w-4 border-2 border-[#12181f] [outline:2px_solid_#fffdf8]"
          style={{ left: `${focus.x * 100}%`, top: `${focus.y * 100}%` }}
        />
      </div>
      <p className="mt-2 mb-0 flex gap-4">
        <ChoiceField
          label={t('For')}
          value={String(density)}
          options={DENSITIES.map((each) => [String(each), each === 1 ? t('ordinary screens') : t('high-resolution screens')])}
          set={(each) => setDensity(Number(each))}
        />
        <ChoiceField
          label={t('Encoded as')}
          value={type}
          options={[
            ['image/webp', t('WebP')],
            ['image/jpeg', t('JPEG')],
          ]}
          set={setType}
        />
      </p>
      <p className="cover-weight mt-1 mb-2 tabular-nums" role="status">
        {t('{width} × {height} px, {made}', {
          width: size.width,
          height: size.height,
          made: made === null ? t('being made …') : 'failed' in made ? t('could not be made') : sayWeight(made.bytes),
        })}
      </p>
    </form>
  );
}

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-0.05, 0],
  ArrowRight: [0.05, 0],
  ArrowUp: [0, -0.05],
  ArrowDown: [0, 0.05],
};

const sayWeight = (bytes: number): string => t('{value} kB', { value: Math.max(1, Math.round(bytes / 1000)) });

/** The encoded cover, made anew in a worker whenever something of it changes; null while it is being made. */
function useCover(picture: Blob, { crop, size, type }: Pick<CoverWanted, 'crop' | 'size' | 'type'>): CoverMade | null {
  const [made, setMade] = useState<{ for: string; cover: CoverMade } | null>(null);
  const wanted = JSON.stringify({ crop, size, type });
  useEffect(() => {
    const { ask, end } = openWorker<CoverMaker>(
      new Worker(new URL('../../../workers/cover.ts', import.meta.url), { type: 'module' }),
    );
    const asked = { picture, ...(JSON.parse(wanted) as Pick<CoverWanted, 'crop' | 'size' | 'type'>), most: MOST };
    // One that was ended, since another is wanted by now, has nothing to say.
    ask((maker) => maker.make(asked)).then(
      (cover) => setMade({ for: wanted, cover }),
      () => undefined,
    );
    return end;
  }, [picture, wanted]);
  return made?.for === wanted ? made.cover : null;
}
