/** The demo wardrobe as the text of a project file (demo/demo-file.ts), put in while the server is built. */
declare module '#demo-file' {
  const file: string
  export default file
}
