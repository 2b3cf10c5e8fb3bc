import { execFileSync } from 'node:child_process';
import { copyFileSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Where these are made. */
export const at = mkdtempSync(join(tmpdir(), 'own-'));
/** How each was made that is there: what many tests use is made once. */
const made = new Map<string, string>();
export const make = (name: string, ...how: string[]) => {
  const told = JSON.stringify(how);
  if (made.get(name) !== told) execFileSync('ffmpeg', ['-v', 'error', '-y', '-f', 'lavfi', ...how, join(at, name)]);
  made.set(name, told);
  return join(at, name);
};
/** Pictures of three shapes that are not the sample’s. */
export const pictures = () => [
  make('1 fern.jpg', '-i', 'mandelbrot=s=1600x1200', '-frames:v', '1'),
  make('2 tower.png', '-i', 'testsrc2=s=700x1300', '-frames:v', '1'),
  make('3 stamp.jpg', '-i', 'rgbtestsrc=s=400x225', '-frames:v', '1'),
];
export const voice = () => make('said.wav', '-i', 'sine=220:d=3', '-af', 'adelay=700:all=1,apad=pad_dur=0.7');

/** A folder of pictures as people have them: numbered, one of them twice, one of them broken, one a phone's upright HEIC. */
export function folder() {
  const at = mkdtempSync(join(tmpdir(), 'pictures-'));
  const put = (from: string, name: string) => {
    copyFileSync(`demo/pictures/${from}.jpg`, join(at, name));
    return join(at, name);
  };
  const files = [
    put('the-great-wheel', '10 wheel.jpg'),
    put('dawn-over-the-wend', '1 dawn.jpg'),
    put('low-water', '2 low water.jpg'),
  ];
  const png = join(at, 'h.png');
  execFileSync('ffmpeg', [
    '-v',
    'error',
    '-y',
    '-i',
    'demo/pictures/heron-in-the-reeds.jpg',
    '-vf',
    'scale=450:-2,format=rgb24',
    png,
  ]);
  const heic = join(at, '11 heron.heic');
  execFileSync('heif-enc', ['-q', '60', '-o', heic, png]);
  const twin = put('low-water', 'copy of low water.jpg');
  const broken = join(at, 'broken.jpg');
  writeFileSync(broken, Buffer.from([0xff, 0xd8, 0xff, 0xe0, 1, 2, 3]));
  return { files: [...files, heic], twin, broken };
}

export function probe(path: string): Record<string, string> {
  const out = execFileSync('ffprobe', [
    '-v',
    'error',
    '-count_frames',
    '-show_streams',
    '-show_format',
    '-of',
    'flat',
    path,
  ]).toString();
  return Object.fromEntries(
    out
      .trim()
      .split('\n')
      .map((line) =>
        line
          .split(/=(.*)/s)
          .slice(0, 2)
          .map((part) => part.replace(/^"|"$/g, '')),
      ),
  ) as Record<string, string>;
}

/** What lies in an archive, as another program tells it. */
export const contents = (path: string) =>
  execFileSync('unzip', ['-Z1', path], { encoding: 'utf8' }).trim().split('\n').toSorted();
