/** The version in which bundles are written. */
export const BUNDLE_VERSION = 3;
