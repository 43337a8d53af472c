/** What the script for streams is to us: it fetches the pieces, and hands them to the element. */
export interface StreamPlayer {
  on: (event: 'hlsError', heard: (_: string, error: { fatal: boolean }) => void) => void;
  loadSource: (address: string) => void;
  attachMedia: (element: HTMLMediaElement) => void;
  destroy: () => void;
}

/** Whether the browser plays a stream (RFC 8216) by itself, as far as it says. */
export const playsStreams = (element: HTMLMediaElement): boolean => element.canPlayType('application/vnd.apple.mpegurl') !== '';

/** Lets the script at an address play a stream in an element; rejects where the script cannot be had. */
export async function streamInto(
  element: HTMLMediaElement,
  { src, script, refused }: { src: string; script: string; refused: () => void },
): Promise<StreamPlayer> {
  const { default: Player } = (await import(script)) as { default: new (settings: object) => StreamPlayer };
  const player = new Player({ enableWorker: false });
  player.on('hlsError', (_, { fatal }) => fatal && refused());
  player.loadSource(src);
  player.attachMedia(element);
  return player;
}
