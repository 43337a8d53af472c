export interface Floor {
  floor: string;
  tells: string;
  rooms: Record<string, string[]>;
}
export const FLOORS: readonly Floor[];
export function rulesOfRooms(): object[];
export function pictureOfRooms(): string;
