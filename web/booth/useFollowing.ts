import { useEffect, useState } from 'react';
import { useSteady } from '../parts/useSteady';
import { useQuiet } from './useQuiet';
import type { useRecorder } from './useRecorder';

interface Options {
  /** Whether the next slide is recorded when somebody has been quiet. */
  goesOn: boolean;
  recorder: ReturnType<typeof useRecorder>;
  slide: string | undefined;
  next: string | undefined;
  show: (slide: string) => void;
  /** Records the slide that is shown. */
  begin: () => void;
}

/** Slide after slide, with hands full: the next one is shown and recorded as soon as the one before it is safe. */
export function useFollowing({ goesOn, recorder, slide, next, ...acts }: Options) {
  const [following, setFollowing] = useState<string | null>(null);
  const { state, trouble, microphone } = recorder;
  const follow = useSteady(() => {
    setFollowing(next ?? null);
    recorder.stop();
  });
  useQuiet(goesOn, microphone, follow);
  const begin = useSteady(() => {
    setFollowing(null);
    acts.begin();
  });
  const show = useSteady(acts.show);
  useEffect(() => {
    if (following === null || ['counting', 'recording', 'paused', 'sending'].includes(state)) return;
    // What went wrong is read before anything else is begun.
    if (state !== 'ready' || trouble !== '') setFollowing(null);
    else if (slide === following) begin();
    else show(following);
  }, [begin, following, show, slide, state, trouble]);
  const stay = useSteady(() => setFollowing(null));
  return { follow, stay };
}
