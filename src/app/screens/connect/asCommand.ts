/** A question as a command for a shell (POSIX), for whoever writes a program. A key is left for them to put in. */
export const asCommand = (address: string, body: string, key: string): string =>
  [
    `curl ${address}`,
    ...(key === '' ? [] : [`-H 'Authorization: Bearer KEY'`]),
    `-H 'Content-Type: application/json'`,
    // A single quote ends the word of the shell.
    `-d '${body.replace(/\s*\n\s*/g, ' ').replaceAll("'", `'\\''`)}'`,
  ].join(' ');
