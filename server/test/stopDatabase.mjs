export default async function stopDatabase() {
  await globalThis.testPostgres.stop();
}
