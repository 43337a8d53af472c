/* Runs in a page: paints the scenes of the sample world on a canvas. */
const tone = (hue, saturation, light) => `hsl(${hue} ${saturation}% ${light}%)`;

const SUBJECTS = {
  sluice(c, { width: w, height: h, hue }, t, part) {
    const level = h * (0.86 - 0.34 * part);
    c.fillStyle = tone(hue, 35, 42);
    c.fillRect(0, level + Math.sin(t) * 2, w, h);
    c.fillStyle = tone(28, 30, 24);
    for (let i = 0; i < 5; i++) c.fillRect(w * 0.3 + i * w * 0.085, h * (0.25 - 0.2 * part), w * 0.07, h * 0.6);
    c.fillRect(w * 0.26, h * 0.12, w * 0.05, h * 0.88);
    c.fillRect(w * 0.73, h * 0.12, w * 0.05, h * 0.88);
  },
  wheel(c, { width: w, height: h, hue }, t) {
    c.fillStyle = tone(hue, 35, 40);
    c.fillRect(0, h * 0.78, w, h);
    const r = Math.min(w, h) * 0.36;
    c.translate(w / 2, h * 0.56);
    c.rotate(t * 0.35);
    c.strokeStyle = tone(28, 35, 22);
    c.lineWidth = r * 0.09;
    c.beginPath();
    c.arc(0, 0, r, 0, 7);
    c.stroke();
    for (let i = 0; i < 12; i++) {
      c.rotate(Math.PI / 6);
      c.fillStyle = tone(28, 35, 26);
      c.fillRect(-r * 0.03, 0, r * 0.06, r * 1.16);
    }
    c.setTransform(1, 0, 0, 1, 0, 0);
  },
  stone(c, { width: w, height: h }, t, part) {
    const r = h * 0.38;
    c.translate(w / 2, h * 0.52);
    c.fillStyle = tone(35, 8, 55);
    c.beginPath();
    c.arc(0, 0, r, 0, 7);
    c.fill();
    c.strokeStyle = tone(35, 10, 30);
    c.lineWidth = 2;
    for (let i = 0; i < 10 + Math.floor(part * 30); i++) {
      c.rotate((Math.PI * 2) / 40);
      c.beginPath();
      c.moveTo(r * 0.18, 0);
      c.lineTo(r * 0.96, r * 0.12);
      c.stroke();
    }
    c.setTransform(1, 0, 0, 1, 0, 0);
    c.fillStyle = tone(28, 40, 20);
    c.fillRect(w / 2 + Math.cos(t) * r * 0.6, h * 0.2 + Math.abs(Math.sin(t * 2)) * h * 0.2, 6, h * 0.2);
  },
  field(c, { width: w, height: h, hue }, t) {
    for (let row = 0; row < 6; row++) {
      c.fillStyle = tone(hue, 45, 36 + row * 5);
      const y = h * (0.9 - row * 0.08);
      for (let x = -10; x < w + 10; x += 8) c.fillRect(x + Math.sin(t + x / 30 + row) * 3, y - 8, 2, h);
    }
  },
  ferry(c, { width: w, height: h, hue }, t, part) {
    c.fillStyle = tone(hue, 30, 38);
    c.fillRect(0, h * 0.66, w, h);
    const x = w * (0.05 + 0.6 * part);
    const y = h * 0.64 + Math.sin(t) * 2;
    c.fillStyle = tone(12, 45, 34);
    c.beginPath();
    c.moveTo(x, y);
    c.lineTo(x + w * 0.3, y);
    c.lineTo(x + w * 0.26, y + h * 0.12);
    c.lineTo(x + w * 0.04, y + h * 0.12);
    c.fill();
    c.fillStyle = tone(45, 30, 88);
    c.fillRect(x + w * 0.1, y - h * 0.12, w * 0.1, h * 0.12);
  },
  loaf(c, { width: w, height: h, hue }, t, part) {
    c.fillStyle = tone(hue, 55, 60 - part * 22);
    c.beginPath();
    c.ellipse(w / 2, h * 0.62, Math.min(w, h) * 0.4, Math.min(w, h) * (0.18 + part * 0.06), 0, 0, 7);
    c.fill();
    c.strokeStyle = tone(40, 60, 85);
    c.lineWidth = 3;
    for (let i = 0; i < 1 + Math.floor(part * 5); i++) {
      c.beginPath();
      c.moveTo(w * 0.36 + i * w * 0.06, h * 0.56);
      c.lineTo(w * 0.4 + i * w * 0.06 + Math.sin(t) * 1, h * 0.68);
      c.stroke();
    }
  },
  sound(c, { width: w, height: h, hue }) {
    c.lineWidth = w * 0.012;
    for (let i = 1; i < 12; i++) {
      c.strokeStyle = tone(hue, 40, 22 + i * 4);
      c.beginPath();
      c.ellipse(w * (0.3 + (hue % 40) / 100), h * 0.7, w * 0.08 * i, h * 0.035 * i, 0, Math.PI, Math.PI * 2);
      c.stroke();
    }
  },
  leaf(c, { width: w, height: h, hue }) {
    c.fillStyle = '#fdfbf4';
    c.fillRect(w * 0.08, h * 0.06, w * 0.84, h * 0.88);
    c.fillStyle = tone(hue, 30, 35);
    c.fillRect(w * 0.16, h * 0.14, w * 0.5, h * 0.05);
    for (let i = 0; i < 12; i++) c.fillRect(w * 0.16, h * (0.28 + i * 0.05), w * (0.68 - (i % 4) * 0.08), h * 0.012);
  },
};

function paint(canvas, scene, t, seconds) {
  const c = canvas.getContext('2d');
  const { width: w, height: h, hue, subject } = scene;
  c.fillStyle = tone(hue, 30, 78);
  c.fillRect(0, 0, w, h);
  c.fillStyle = tone((hue + 40) % 360, 20, 62);
  c.fillRect(0, h * 0.6, w, h);
  SUBJECTS[subject](c, scene, t, t / seconds);
}

/** The second stands in the picture, so that a start or end time can be seen. */
function stamp(canvas, t) {
  const c = canvas.getContext('2d');
  c.fillStyle = '#10161d';
  c.fillRect(4, 4, 44, 18);
  c.fillStyle = '#fff';
  c.font = '600 13px monospace';
  c.fillText(`${Math.floor(t / 60)}:${String(Math.floor(t % 60)).padStart(2, '0')}`, 8, 18);
}

const surface = (width, height) => Object.assign(document.createElement('canvas'), { width, height });

function paintFrames(job) {
  const canvas = surface(job.width, job.height);
  return Array.from({ length: job.count }, (_, i) => {
    const t = (job.first + i) / job.rate;
    paint(canvas, job, t, job.seconds);
    stamp(canvas, t);
    return canvas.toDataURL('image/jpeg', 0.85).split(',')[1];
  });
}

function paintCover(job) {
  const canvas = surface(job.width, job.height);
  paint(canvas, job, 40, 80);
  return canvas.toDataURL('image/webp', 0.7).split(',')[1];
}
Object.assign(globalThis, { paintFrames, paintCover });
