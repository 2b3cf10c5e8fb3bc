declare module 'virtual:messages/*' {
  const words: import('./say').Words;
  export default words;
}
