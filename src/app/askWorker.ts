/** Asks a worker one question and ends it; `made` makes it, since its address must be known when the application is built. */
export function askWorker<Answer>(made: () => Worker, question: unknown): Promise<Answer> {
  const worker = made();
  return new Promise<Answer>((done, fail) => {
    worker.onmessage = ({ data }: MessageEvent<Answer>) => done(data);
    worker.onerror = ({ message }) => fail(new Error(message));
    worker.postMessage(question);
  }).finally(() => worker.terminate());
}
