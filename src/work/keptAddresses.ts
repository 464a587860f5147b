export interface AddressPorts<B> {
  make(what: B): string;
  /** Nothing shows it any more. */
  free(address: string): void;
}

/**
 * One address for each thing that is shown, however many show it: a browser reads and decodes anew
 * what comes by another address, and remembers both. What nobody shows any more keeps its address
 * for a while, the last ones longest.
 */
export class KeptAddresses<B> {
  /** In the order in which they came, or were shown no more. */
  private readonly addresses = new Map<string, string>();
  private readonly holders = new Map<string, number>();

  /** @param room addresses that are kept of what nobody shows */
  constructor(
    private readonly ports: AddressPorts<B>,
    private readonly room: number,
  ) {}

  /** The address of what goes by that key, if it has one. */
  at(key: string): string | undefined {
    return this.addresses.get(key);
  }

  /** Its address, made where it has none. */
  put(key: string, what: B): string {
    const there = this.addresses.get(key);
    if (there) {
      return there;
    }
    const made = this.ports.make(what);
    this.addresses.set(key, made);
    this.makeRoom();
    return made;
  }

  /**
   * Somebody shows it, or will: its address stays.
   * @returns how to say that it is shown no more
   */
  hold(key: string): () => void {
    this.holders.set(key, (this.holders.get(key) ?? 0) + 1);
    return () => {
      const left = this.holders.get(key)! - 1;
      if (left > 0) {
        this.holders.set(key, left);
        return;
      }
      this.holders.delete(key);
      const address = this.addresses.get(key);
      if (address) {
        this.addresses.delete(key);
        this.addresses.set(key, address);
        this.makeRoom();
      }
    };
  }

  private makeRoom(): void {
    const idle = [...this.addresses].filter(([key]) => !this.holders.has(key));
    for (const [key, address] of idle.slice(0, Math.max(0, idle.length - this.room))) {
      this.addresses.delete(key);
      this.ports.free(address);
    }
  }
}
