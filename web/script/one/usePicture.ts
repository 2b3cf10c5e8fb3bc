import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { answer, api } from '../../api/client';
import type { Levels } from '../../mend/tables';

/** The picture is drawn no larger than that, in pixels of its longer side. */
const SIDE = 1600;

/** A picture as it came, to be drawn in the page; null until it is here. */
export function usePicture(story: string, asset: string): { picture: ImageBitmap | null; levels: Levels | undefined } {
  const [here, setHere] = useState<{ asset: string; picture: ImageBitmap } | null>(null);
  const { data: levels } = useQuery({
    queryKey: ['levels', asset],
    queryFn: () =>
      answer(api.GET('/api/stories/{id}/assets/{asset}/levels.json', { params: { path: { id: story, asset } } })),
    staleTime: Infinity,
  });
  const { data: file } = useQuery({
    queryKey: ['picture', asset],
    queryFn: () =>
      answer(
        api.GET('/api/stories/{id}/assets/{asset}/{name}', {
          params: { path: { id: story, asset, name: 'full.jpg' } },
          parseAs: 'blob',
        }),
      ) as unknown as Promise<Blob>,
    staleTime: Infinity,
    gcTime: 60_000,
  });
  useEffect(() => {
    if (!file) return undefined;
    let left = false;
    let made: ImageBitmap | null = null;
    void (async () => {
      const whole = await createImageBitmap(file);
      const scale = Math.min(1, SIDE / Math.max(whole.width, whole.height));
      const [resizeWidth, resizeHeight] = [Math.round(whole.width * scale), Math.round(whole.height * scale)];
      made = await createImageBitmap(whole, { resizeWidth, resizeHeight, resizeQuality: 'high' });
      whole.close();
      if (left) made.close();
      else setHere({ asset, picture: made });
    })();
    return () => {
      left = true;
      made?.close();
      setHere(null);
    };
  }, [asset, file]);
  return { picture: here?.asset === asset ? here.picture : null, levels };
}
