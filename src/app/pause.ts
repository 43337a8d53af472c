/** Lets other tasks in. Timers that follow one another are held back by browsers, messages are not. */
export const pause = (): Promise<void> =>
  new Promise((done) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      done();
    };
    port2.postMessage(null);
  });
