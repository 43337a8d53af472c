import { Suspense, useCallback, useEffect, type ReactElement } from 'react';
import { useAppDispatch, useAppSelector } from '../state/store.ts';
import { selectGivenStatus } from '../state/answers.ts';
import { ONCE, server } from '../state/server.ts';
import { afterPaint } from '../afterPaint.ts';
import { lazily } from './lazily.ts';

/** Loaded while the server is still there, so that it can be said that it is gone. */
const BannerWords = lazily(
  () => import('./BannerWords.tsx').then((module) => module.BannerWords),
  () => null,
);
const POLL = 5000;

/** What is out of order with the application itself: the server gone, or nothing kept. */
export function Banner(): ReactElement | null {
  const dispatch = useAppDispatch();
  const failed = useAppSelector(selectGivenStatus) === 'failed';
  const serverAnswers = useAppSelector((state) => state.world.serverAnswers);
  const { storage, notice } = useAppSelector((state) => state.view);
  const askAgain = useCallback((): void => {
    const { given, health } = server.endpoints;
    void dispatch(failed ? given.initiate(undefined, ONCE) : health.initiate(undefined, ONCE));
  }, [dispatch, failed]);
  useEffect(() => {
    const timer = setInterval(askAgain, POLL);
    return () => clearInterval(timer);
  }, [askAgain]);
  useEffect(() => afterPaint(() => void BannerWords.load()), []);
  if (serverAnswers && storage === 'works' && notice === null) return null;
  return (
    <Suspense fallback={null}>
      <BannerWords askAgain={askAgain} />
    </Suspense>
  );
}
