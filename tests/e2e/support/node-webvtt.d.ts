declare module 'node-webvtt' {
  const webvtt: {
    parse: (
      text: string,
      options?: { meta?: boolean; strict?: boolean },
    ) => { valid: boolean; cues: { start: number; end: number; text: string }[] };
  };
  export default webvtt;
}
