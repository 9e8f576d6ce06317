export default async function unserve() {
  await Promise.all(globalThis.browserServers.map((browser) => browser.close()));
  await globalThis.examplesServer.close();
}
