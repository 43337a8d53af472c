/** Features of a frame, each with the origins that it is for: the value of `allow` (Permissions Policy, section 9.2). */

/** Each feature once, the first that names it, with single spaces. */
export function splitFeatures(text: string): string[] {
  const byName = new Map<string, string>();
  for (const part of text.split(';')) {
    const feature = part.trim().replace(/\s+/g, ' ');
    if (feature !== '' && !byName.has(featureName(feature))) byName.set(featureName(feature), feature);
  }
  return [...byName.values()];
}

export const featureName = (feature: string): string => feature.split(' ', 1)[0]!.toLowerCase();

/** Given to nobody. */
export const withheld = (name: string): string => `${name} 'none'`;
