/*
 * Which tabs of the application are alive: each holds a lock under a name of its own for as long as
 * it lives, whatever it ends by.
 */

const prefix = 'soyez tab ';

/** Tells this tab from others. */
export const thisTab: string = crypto.randomUUID();

let living: Promise<void> | undefined;

/** From when this resolves other tabs see that this one is alive. */
export function live(): Promise<void> {
  living ??= new Promise((seen) => {
    void navigator.locks.request(`${prefix}${thisTab}`, () => {
      seen();
      return new Promise(() => {});
    });
  });
  return living;
}

/** The tabs that are alive. */
export async function livingTabs(): Promise<ReadonlySet<string>> {
  const { held = [] } = await navigator.locks.query();
  return new Set(
    held.flatMap(({ name }) => (name?.startsWith(prefix) ? [name.slice(prefix.length)] : [])),
  );
}
