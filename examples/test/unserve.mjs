export default async function unserve() {
  await globalThis.examplesServer.close();
}
