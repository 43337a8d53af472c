import { wrap, type Remote } from 'comlink';

/** A worker that can be asked for as long as it is needed. */
export interface Opened<Interface> {
  /** What the worker answers; rejected with its error, or where it could not be loaded, or has been ended. */
  ask: <Asked extends Promise<unknown>>(question: (worker: Remote<Interface>) => Asked) => Promise<Awaited<Asked>>;
  end: () => void;
}

/** The interface that a worker exposes. */
export function openWorker<Interface>(worker: Worker): Opened<Interface> {
  const remote = wrap<Interface>(worker);
  let fail: (why: Error) => void = () => undefined;
  const broken = new Promise<never>((_, reject) => (fail = reject));
  broken.catch(() => undefined);
  worker.onerror = ({ message }) => fail(new Error(message));
  return {
    ask: <Asked extends Promise<unknown>>(question: (asked: Remote<Interface>) => Asked) =>
      Promise.race([question(remote), broken]) as Promise<Awaited<Asked>>,
    end: () => {
      worker.terminate();
      fail(new Error('The worker was ended.'));
    },
  };
}

/** Asks a worker one question and ends it; `made` makes it, since its address must be known when the application is built. */
export function askWorker<Interface>(made: () => Worker): Opened<Interface>['ask'] {
  const { ask, end } = openWorker<Interface>(made());
  return (question) => ask(question).finally(end);
}
