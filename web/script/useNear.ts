import { useEffect, useRef, useState } from 'react';

/** Whether an element has come near the window. What has once been near stays, so that nothing written in it is lost. */
export function useNear(atOnce: boolean) {
  const ref = useRef<HTMLDivElement>(null);
  const [near, setNear] = useState(atOnce);
  useEffect(() => {
    if (near || !ref.current) return undefined;
    const watch = new IntersectionObserver(
      (entries) => entries.some((entry) => entry.isIntersecting) && setNear(true),
      { rootMargin: '1200px' },
    );
    watch.observe(ref.current);
    return () => watch.disconnect();
  }, [near]);
  return { ref, near };
}
