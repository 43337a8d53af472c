/** Where time goes: each part with its share of all of them. */
export function shares(parts: Readonly<Record<string, number>>): string {
  const all = Object.values(parts).reduce((sum, one) => sum + one, 0);
  return Object.entries(parts)
    .map(([name, one]) => `${name} ${Math.round((one / all) * 100)} %`)
    .join(', ');
}
