/** A font file as it is bundled into a worker. */
declare module '*.woff' {
  const bytes: Uint8Array
  export default bytes
}
