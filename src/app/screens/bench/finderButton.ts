/** The button that lists all settings. One that is opened and has no place of its own on the screen is opened here. */
export const FINDER_BUTTON = 'find-setting';
