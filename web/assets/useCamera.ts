import { useCallback, useEffect, useRef, useState } from 'react';
import { say } from '../messages/say';
import { deviceTrouble } from '../parts/device';

/** As large as a slide of the largest film is seen at, and a little more for a crop. */
const WANTED = { width: { ideal: 2560 }, height: { ideal: 1440 } };
/** Of a JPEG: what is lost is not seen. */
const QUALITY = 0.92;

const troubles = {
  'not-allowed': 'camera.not-allowed',
  none: 'camera.none',
  'in-use': 'camera.in-use',
  unusable: 'camera.unusable',
} as const;

/** The camera of the laptop or the phone, on while somebody looks through it. */
export function useCamera() {
  const video = useRef<HTMLVideoElement>(null);
  const stream = useRef<MediaStream | null>(null);
  const [trouble, setTrouble] = useState('');
  const [isOn, setOn] = useState(false);
  const [cameras, setCameras] = useState<string[]>([]);
  /** Counts what was asked of the camera: only the latest is answered. */
  const round = useRef(0);

  const close = useCallback(() => {
    round.current += 1;
    for (const track of stream.current?.getTracks() ?? []) track.stop();
    stream.current = null;
    setOn(false);
  }, []);

  /** Without one named, a phone's is the one at its back. */
  const open = useCallback(
    async (camera?: string) => {
      close();
      setTrouble('');
      const mine = round.current;
      try {
        const chosen = camera ? { deviceId: { exact: camera } } : { facingMode: 'environment' };
        const made = await navigator.mediaDevices.getUserMedia({ video: { ...WANTED, ...chosen } });
        if (mine !== round.current) {
          for (const track of made.getTracks()) track.stop();
          return;
        }
        stream.current = made;
        made.getVideoTracks()[0]?.addEventListener('ended', () => {
          close();
          setTrouble(say('camera.pulled-out'));
        });
        if (video.current) {
          video.current.srcObject = made;
          await video.current.play();
        }
        setOn(true);
        const devices = await navigator.mediaDevices.enumerateDevices();
        setCameras(devices.filter((device) => device.kind === 'videoinput').map((device) => device.deviceId));
      } catch (error) {
        if (mine !== round.current) return;
        // It may be on already, and nobody sees through it.
        close();
        setTrouble(say(troubles[deviceTrouble(error)]));
      }
    },
    [close],
  );

  useEffect(() => {
    void open();
    return close;
  }, [open, close]);

  /** The other camera, where there are several. */
  const other = useCallback(() => {
    const now = stream.current?.getVideoTracks()[0]?.getSettings().deviceId ?? '';
    void open(cameras[(cameras.indexOf(now) + 1) % cameras.length]);
  }, [cameras, open]);

  /** What is seen now, as a file. */
  const take = useCallback(async (): Promise<File | null> => {
    const seen = video.current;
    if (!seen || seen.videoWidth === 0) return null;
    const canvas = document.createElement('canvas');
    canvas.width = seen.videoWidth;
    canvas.height = seen.videoHeight;
    canvas.getContext('2d')?.drawImage(seen, 0, 0);
    const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', QUALITY));
    const name = new Date().toLocaleString('sv').replaceAll(':', '.');
    return blob && new File([blob], `${say('camera.file', { moment: name })}.jpg`, { type: 'image/jpeg' });
  }, []);

  return { video, trouble, isOn, take, other: cameras.length > 1 ? other : null, open };
}
