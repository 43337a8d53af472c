/** Samples a second. */
export const SAMPLE_RATE = 16_000;

/**
 * A mill's sound as signed 16-bit little-endian mono: a beat like a wheel's paddles, a low hum, and the
 * rush of water. The same arguments give the same bytes.
 */
export function makeSound(seconds: number, seed: number): Buffer {
  const samples = new Int16Array(Math.round(seconds * SAMPLE_RATE));
  const hum = 90 + (seed % 60);
  const beat = 0.9 + (seed % 7) / 10;
  let noise = seed * 7919 + 1;
  let water = 0;
  for (let i = 0; i < samples.length; i++) {
    const t = i / SAMPLE_RATE;
    noise = (noise * 1_103_515_245 + 12_345) % 2_147_483_648;
    water += (noise / 1_073_741_824 - 1 - water) * 0.04;
    const since = t % beat;
    const thump = Math.sin(2 * Math.PI * hum * 2 * since) * Math.exp(-since * 14);
    const level = 0.25 * Math.sin(2 * Math.PI * hum * t) + 0.45 * thump + 0.3 * water * (0.6 + 0.4 * Math.sin(t / 3));
    samples[i] = Math.round(Math.max(-1, Math.min(1, level)) * 22_000);
  }
  return Buffer.from(samples.buffer);
}
