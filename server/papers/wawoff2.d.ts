/** The package brings no types. */
declare module 'wawoff2' {
  const wawoff2: {
    /** A WOFF2 font as the plain one it was packed from. */
    decompress(font: Uint8Array): Promise<Uint8Array>;
  };
  export default wawoff2;
}
