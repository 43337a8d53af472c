/** What stands at a path with dots. */
export const pick = (data: unknown, path: string): unknown =>
  path
    .split('.')
    .reduce<unknown>(
      (value, key) => (value && typeof value === 'object' ? (value as Record<string, unknown>)[key] : undefined),
      data,
    );

/** What a player said, as its card says that it says it; undefined where it is not so. */
export function dataOf(encoding: string, message: unknown): unknown {
  if (encoding === 'object' || typeof message !== 'string') return message;
  if (encoding === 'text') return message.split(' ', 40).map((word) => (/^-?\d+(\.\d+)?$/.test(word) ? Number(word) : word));
  try {
    return JSON.parse(message);
  } catch {
    return undefined;
  }
}
