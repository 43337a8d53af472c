import { LONGEST_ADDRESS, type Placement } from './placement.ts';

/** The address of a page as somebody wrote it; null where it is none that can be kept. */
export function pageAddressOf(text: string): string | null {
  const url = URL.parse(text.trim());
  return url !== null && /^https?:$/.test(url.protocol) && url.href.length <= LONGEST_ADDRESS ? url.href : null;
}

/** With one more page, once. */
export const placedAlso = (placed: readonly Placement[], address: string, since: number): Placement[] => [
  ...placed.filter((one) => one.address !== address),
  { address, since },
];
