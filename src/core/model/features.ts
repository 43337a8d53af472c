/** Features of a frame, each with the origins that it is for: the value of `allow` (Permissions Policy, section 9.2). */

/** Each feature once, the first that names it, with single spaces. */
export function splitFeatures(text: string): string[] {
  const byName = new Map<string, string>();
  for (const part of text.split(';')) {
    const feature = part.trim().replace(/\s+/g, ' ');
    if (feature === '') continue;
    const name = featureName(feature);
    if (!byName.has(name)) byName.set(name, feature);
  }
  return [...byName.values()];
}

/** Of several lists joined, each feature once: the first that names it holds. */
export function joinFeatures<One extends { readonly feature: string }>(all: readonly One[]): One[] {
  const byName = new Map<string, One>();
  for (const one of all) {
    const name = featureName(one.feature);
    if (!byName.has(name)) byName.set(name, one);
  }
  return [...byName.values()];
}

/** The name of a feature in an `allow` attribute, without its allowlist (Permissions Policy, section 5.2). */
export function featureName(feature: string): string {
  const space = feature.indexOf(' ');
  return (space < 0 ? feature : feature.slice(0, space)).toLowerCase();
}

/** Given to nobody. */
export const withheld = (name: string): string => `${name} 'none'`;

/** A feature that a setting brought along into somebody's code, which is told apart by the origin that goes without saying. */
export const marked = (feature: string): string => `${feature} 'src'`;
/** Whether a feature is given to the address of the frame alone (`src`). */
export const isMarked = (feature: string): boolean => /^[\w-]+\s+'src'$/.test(feature);
/** By which a feature is found again in a list. */
export const featureKey = (feature: string): string => (isMarked(feature) ? marked(featureName(feature)) : featureName(feature));
