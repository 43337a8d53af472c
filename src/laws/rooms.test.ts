import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from 'vitest';
import { FLOORS, pictureOfRooms } from '../../scripts/rooms.cjs';

const root = join(import.meta.dirname, '../..');
const inside = (folder: string): string[] => readdirSync(join(root, 'src/core', folder));

test('the rooms of the core are those that the import rules know', () => {
  expect(FLOORS.map(({ floor }) => floor).sort()).toEqual(inside('.').sort());
  for (const { floor, rooms } of FLOORS)
    for (const room of Object.keys(rooms)) expect(inside(floor), `${floor}/${room}`).toContain(room);
  const folders = readdirSync(join(root, 'src/core'), { withFileTypes: true }).filter((one) => one.isDirectory());
  expect(folders.length).toBeLessThanOrEqual(9);
});

test('their picture in the documentation is right', () => {
  expect(readFileSync(join(root, 'docs/architecture.md'), 'utf8')).toContain(pictureOfRooms());
});
