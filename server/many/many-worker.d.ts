/** The worker of many fits as one program (server/many/bundle-worker.ts), put in while the server is built. */
declare module '#many-worker' {
  const program: string
  export default program
}
