import { element, mount, pageData, part, report } from '../shared/player.ts';
import type { WaymossData } from './routes.ts';

const data = pageData<WaymossData>();
const asked = new URLSearchParams(location.search);
const words = asked.get('mark') ?? '';
const style = asked.get('style') === 'relief' ? 'relief' : 'plain';
let zoom = Math.min(19, Math.max(1, Number(asked.get('z')) || 14));

mount(
  `<canvas data-part="map" width="960" height="640" aria-label="Map"></canvas>
  <div class="stake" data-part="mark" hidden></div>
  <div class="legs"><button type="button" data-part="nearer" aria-label="Nearer">+</button><button type="button" data-part="farther" aria-label="Farther">−</button></div>`,
  data.title,
);
const canvas = part<HTMLCanvasElement>('map');
const pen = canvas.getContext('2d')!;
const mark = part('mark');
mark.textContent = words;
mark.hidden = words === '';

/** A made-up country, drawn from the coordinates alone. */
const height = (x: number, y: number): number => Math.sin(x * 3.1) + Math.cos(y * 2.7) + Math.sin((x + y) * 1.3);

function draw(): void {
  const span = 2 ** (16 - zoom) * 0.01;
  const { width, height: tall } = canvas;
  for (let py = 0; py < tall; py += 8)
    for (let px = 0; px < width; px += 8) {
      const [x, y] = [(data.lon + (px / width - 0.5) * span) * 40, (data.lat + (0.5 - py / tall) * span) * 40];
      const h = height(x, y);
      const shade = style === 'relief' ? (h - height(x + 0.1, y + 0.1)) * 60 : 0;
      pen.fillStyle =
        h < -0.4 ? '#a9c3c4' : `hsl(${78 - h * 8} 26% ${Math.round(Math.min(92, Math.max(30, 78 - h * 5 + shade)))}%)`;
      pen.fillRect(px, py, 8, 8);
    }
  pen.fillStyle = '#3b3a30';
  pen.font = '22px Georgia';
  for (const { title, lat, lon } of data.places) {
    const [px, py] = [((lon - data.lon) / span + 0.5) * width, (0.5 - (lat - data.lat) / span) * tall];
    pen.fillRect(px - 5, py - 5, 10, 10);
    pen.fillText(title, px + 12, py + 7);
  }
  report({
    moss: 'drawn',
    lat: data.lat,
    lon: data.lon,
    z: zoom,
    mark: words,
    style,
    overflows: document.body.scrollHeight > innerHeight,
  });
}

part('nearer').onclick = () => {
  zoom = Math.min(19, zoom + 1);
  draw();
};
part('farther').onclick = () => {
  zoom = Math.max(1, zoom - 1);
  draw();
};
document.body.append(element('p', '© Waymoss surveyors'));
draw();
