import { Refusal } from '@/core/refusal';

/**
 * The bytes of a file that the server gives.
 * @param address of it
 * @param name by which it is told where it does not come
 * @throws Refusal where it does not
 */
export async function servedFile(address: string, name: string): Promise<Uint8Array<ArrayBuffer>> {
  const response = await fetch(address).catch(() => undefined);
  if (!response?.ok) {
    throw new Refusal(
      response
        ? `${name}: expected its file from the server, found status ${response.status}.`
        : `${name}: the server did not answer. Look whether you are connected, and try again.`,
    );
  }
  return new Uint8Array(await response.arrayBuffer());
}
