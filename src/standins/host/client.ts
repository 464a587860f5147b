import { Refusal } from '@/core/refusal';
import { served } from '@/served/address';
import type { HostState } from './host';

const addressOf = (siteId: string): string =>
  served(`/api/host?${new URLSearchParams({ site: siteId }).toString()}`);

/** Where a browser finds a file that the host has. */
export const rehearsalAddress = (siteId: string, path: string): string =>
  served(`/rehearsal/${siteId}/${path}`);

/** What the host has of a site; undefined where it has nothing or does not answer. */
export async function hostState(siteId: string): Promise<HostState | undefined> {
  try {
    const response = await fetch(addressOf(siteId));
    return response.ok ? (((await response.json()) as HostState | null) ?? undefined) : undefined;
  } catch {
    return undefined;
  }
}

/**
 * Uploads an archive in place of what was there.
 * @throws Refusal
 */
export async function uploadTo(
  siteId: string,
  archive: Uint8Array<ArrayBuffer>,
): Promise<HostState> {
  const response = await fetch(addressOf(siteId), {
    method: 'POST',
    body: archive,
    headers: { 'content-type': 'application/zip' },
  }).catch(() => {
    throw new Refusal('The host did not answer. Look whether you are connected, and try again.');
  });
  const answer = (await response.json()) as HostState & { message?: string };
  if (!response.ok) {
    throw new Refusal(answer.message ?? `The host refused it with status ${response.status}.`);
  }
  return answer;
}

export async function emptyHost(siteId: string): Promise<void> {
  await fetch(addressOf(siteId), { method: 'DELETE' });
}
