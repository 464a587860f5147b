/** Elements that are drawn, each as often as it is used again (ours: nobody draws so many). */
export const mostDrawn = 200_000;

/** Elements that are used by what another uses, one after the other (ours). */
export const mostInARow = 64;

/** An element of a drawing, as far as it names others. */
export interface DrawnElement {
  /** Of its tag; a prefix may stand before it. */
  readonly name: string;
  readonly id: string | undefined;
  /** Of the elements that it uses, is filled with or is cut by. */
  readonly names: readonly string[];
}

const byUrl = /url\(\s*["']?#([^"')]*)/gi;

/** Names of the elements that properties ask for (SVG 2, section 16.3). */
export const namedByUrl = (text: string): string[] =>
  [...text.matchAll(byUrl)].map(([, id]) => id.trim());

/** Elements that are worked out once, however often they are named. */
const once = /^(?:\w+:)?(?:linear|radial)gradient$/i;

/** What an element comes to with all that it uses. */
interface Total {
  readonly drawn: number;
  /** Elements that use each other, one after the other. */
  readonly inARow: number;
}

const nothing: Total = { drawn: 0, inARow: 0 };
const tooMuch: Total = { drawn: Infinity, inARow: Infinity };

/** An element that has a name: those in it come after it, up to an end. */
interface Named {
  readonly first: number;
  end: number;
  readonly once: boolean;
}

/** Counts what a drawing comes to, from its elements in their order. */
export class DrawnElements {
  private count = 0;
  private readonly open: (Named | undefined)[] = [];
  private readonly named = new Map<string, Named>();
  /** In the order of the elements that name others. */
  private readonly uses: { readonly by: number; readonly id: string }[] = [];
  private readonly totals = new Map<string, Total>();
  private steps = 0;

  get depth(): number {
    return this.open.length;
  }

  opens({ name, id, names }: DrawnElement, closed: boolean): void {
    const own: Named | undefined =
      id === undefined
        ? undefined
        : { first: this.count, end: this.count + 1, once: once.test(name) };
    if (own && !this.named.has(id!)) {
      this.named.set(id!, own);
    }
    for (const used of names) {
      this.uses.push({ by: this.count, id: used });
    }
    this.count++;
    if (!closed) {
      this.open.push(own);
    }
  }

  closes(): void {
    const own = this.open.pop();
    if (own) {
      own.end = this.count;
    }
  }

  /** Elements that are drawn all in all; endless where too many follow each other. */
  all(): number {
    this.open.forEach((own) => own && (own.end = this.count));
    return this.from({ first: 0, end: this.count, once: false }, 0).drawn;
  }

  /** @param behind elements that led here */
  private from({ first, end }: Named, behind: number): Total {
    let drawn = end - first;
    let inARow = 0;
    for (let i = this.firstUseFrom(first); i < this.uses.length && this.uses[i].by < end; i++) {
      this.steps++;
      const used = this.of(this.uses[i].id, behind + 1);
      drawn += used.drawn;
      inARow = Math.max(inARow, used.inARow);
      if (!(drawn <= mostDrawn && this.steps <= mostDrawn)) {
        return tooMuch;
      }
    }
    return { drawn, inARow };
  }

  private of(id: string, behind: number): Total {
    const known = this.totals.get(id);
    const named = this.named.get(id);
    if (known || !named) {
      return known ?? nothing;
    }
    // Whoever comes back to where it began draws nothing there.
    this.totals.set(id, nothing);
    const { drawn, inARow } = behind > mostInARow ? tooMuch : this.from(named, behind);
    const total =
      inARow < mostInARow ? { drawn: named.once ? 0 : drawn, inARow: inARow + 1 } : tooMuch;
    this.totals.set(id, total);
    return total;
  }

  private firstUseFrom(element: number): number {
    let low = 0;
    let high = this.uses.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.uses[middle].by < element) {
        low = middle + 1;
      } else {
        high = middle;
      }
    }
    return low;
  }
}
