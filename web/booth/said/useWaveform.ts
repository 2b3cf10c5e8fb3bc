import { useQueries } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { StoryView } from '../../api/types';
import { inSeconds, SAMPLES } from '../../parts/time';
import type { Span } from '../../story/spans';
import { assetOf } from '../../story/slides';
import { voiceUrl } from '../../stage/sounds';

/** Peaks a second. */
const FINE = 100;
/** Seconds of a recording beyond which it is not looked at so closely: all of it would have to be held. */
const LONGEST = 900;

async function peaksOf(url: string): Promise<Float32Array> {
  const answer = await fetch(url);
  if (!answer.ok) throw new Error(String(answer.status));
  // One that plays nothing: it needs no sound output, and takes the recording as it is.
  const sound = await new OfflineAudioContext(1, 1, SAMPLES).decodeAudioData(await answer.arrayBuffer());
  const samples = sound.getChannelData(0);
  const each = SAMPLES / FINE;
  return Float32Array.from({ length: Math.ceil(samples.length / each) }, (_, i) => {
    let peak = 0;
    for (let k = i * each; k < Math.min(samples.length, (i + 1) * each); k += 1)
      peak = Math.max(peak, Math.abs(samples[k] ?? 0));
    return peak;
  });
}

/** The voice of a slide as it is heard, as so many peaks of 0 to 1: roughly at once, closely when its recordings are here. */
export function useWaveform(view: StoryView, spans: readonly Span[], columns: number): number[] {
  const assets = useMemo(() => [...new Set(spans.map(({ asset }) => asset))], [spans]);
  const fine = useQueries({
    queries: assets.map((asset) => ({
      queryKey: ['peaks', view.id, asset],
      queryFn: () => peaksOf(voiceUrl(view.id, asset)),
      enabled: inSeconds(assetOf(view.story, asset, 'voice')?.samples ?? Infinity) < LONGEST,
      staleTime: Infinity,
      retry: false,
    })),
    combine: (results) => results.map(({ data }) => data),
  });
  return useMemo(() => {
    const length = spans.reduce((sum, { from, to }) => sum + to - from, 0);
    const heard = Array.from({ length: columns }, () => 0);
    let at = 0;
    for (const { asset, from, to } of spans) {
      const peaks = fine[assets.indexOf(asset)] ?? view.waveforms[asset] ?? [];
      const samples = assetOf(view.story, asset, 'voice')?.samples ?? 1;
      const first = Math.floor((at / length) * columns);
      const end = Math.min(columns, Math.ceil(((at + to - from) / length) * columns));
      for (let column = first; column < end; column += 1) {
        const place = (share: number) =>
          ((from + Math.max(0, (share / columns) * length - at)) / samples) * peaks.length;
        const begin = Math.floor(place(column));
        for (let k = begin; k < Math.max(begin + 1, Math.min(peaks.length, place(column + 1))); k += 1)
          heard[column] = Math.max(heard[column] ?? 0, peaks[k] ?? 0);
      }
      at += to - from;
    }
    return heard;
  }, [assets, columns, fine, spans, view.story, view.waveforms]);
}
