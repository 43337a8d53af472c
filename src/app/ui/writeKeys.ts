/** Keys as they are written on screen: `ctrl + k`. */
export const writeKeys = (keys: string): string => (keys === ' ' ? 'space' : keys.replaceAll('+', ' + '));
