/** What the browser's file dialog offers for a picture; what a file is, its bytes tell. */
export const pictureFiles = [
  'image/jpeg',
  'image/png',
  'image/webp',
  'image/heic',
  'image/heif',
  'image/avif',
  'image/tiff',
  'image/gif',
  '.heic',
  '.heif',
  '.avif',
  '.tif',
  '.tiff',
];

/** For what moves. */
export const clipFiles = ['video/*', '.mp4', '.m4v', '.mov', '.webm', '.mkv', '.avi'];

/** Whether a file says that it moves: what it is, its bytes tell in the end. */
export const isClip = ({ name, type = '' }: { name: string; type?: string }): boolean =>
  type.startsWith('video/') || /\.(mp4|m4v|mov|webm|mkv|avi)$/i.test(name);

/** For a voice or music; of what moves, its sound. */
export const soundFiles = [
  'audio/*',
  '.wav',
  '.mp3',
  '.m4a',
  '.ogg',
  '.oga',
  '.opus',
  '.flac',
  '.weba',
  'video/*',
  '.webm',
  '.mp4',
  '.m4v',
  '.mov',
  '.aif',
  '.aiff',
];
