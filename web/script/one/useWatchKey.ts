import { useEffect } from 'react';
import { isWriting } from '../useSheetKeys';

/** Alt and P watch the slide in place. */
export function useWatchKey(watch: () => void): void {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.altKey && !event.ctrlKey && event.key.toLowerCase() === 'p' && !isWriting(event.target)) watch();
    };
    window.addEventListener('keydown', press, true);
    return () => window.removeEventListener('keydown', press, true);
  }, [watch]);
}
