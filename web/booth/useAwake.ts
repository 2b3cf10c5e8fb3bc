import { useEffect } from 'react';

/** The screen stays on while somebody speaks (Screen Wake Lock, W3C); where that is not offered, or not now, it goes as usual. */
export function useAwake(isWanted: boolean): void {
  useEffect(() => {
    if (!isWanted || !('wakeLock' in navigator)) return undefined;
    let lock: WakeLockSentinel | undefined;
    let isOver = false;
    // It is let go by the browser whenever the page is hidden, and asked for again when it is back.
    const ask = () => {
      if (document.visibilityState !== 'visible') return;
      navigator.wakeLock
        .request('screen')
        .then((got) => {
          lock = got;
          if (isOver) void got.release();
        })
        .catch(() => undefined);
    };
    ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      isOver = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, [isWanted]);
}
