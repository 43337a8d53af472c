/** The version in which bundles are written. */
export const BUNDLE_VERSION = 6;

/** What a bundle of embeds alone leaves empty. */
export const EMBEDS_ALONE = {
  versions: [],
  pictures: [],
  proofs: [],
  backs: [],
  sites: [],
  styles: [],
  cards: [],
  preferences: [],
  lessons: [],
  orders: [],
};
