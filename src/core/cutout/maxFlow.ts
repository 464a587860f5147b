/*
 * The cheapest cut of a graph between a source and a sink, by growing a search tree from each and
 * keeping both from one augmenting path to the next: Y. Boykov and V. Kolmogorov, "An experimental
 * comparison of min-cut/max-flow algorithms for energy minimization in vision" (2004).
 */

const none = -1;
const terminal = -2;
const orphaned = -3;

/** A graph of nodes with two terminals, to be cut in two. */
export class FlowGraph {
  private readonly first: Int32Array;
  /** Two arcs for each edge, side by side: the other direction of arc `a` is `a ^ 1`. */
  private readonly head: Int32Array;
  private readonly next: Int32Array;
  private readonly left: Float64Array;
  /** What can still flow from the source, or, below 0, to the sink. */
  private readonly tie: Float64Array;
  private arcs = 0;

  private readonly parent: Int32Array;
  private readonly ofSink: Uint8Array;
  /** When its way to the terminal was checked last, and how long it was then. */
  private readonly checked: Int32Array;
  private readonly distance: Int32Array;
  private readonly queued: Uint8Array;
  private active: number[] = [];
  private activeFrom = 0;
  private orphans: number[] = [];
  private time = 0;

  /**
   * @param nodes how many there are
   * @param edges how many will be added at most
   */
  constructor(
    private readonly nodes: number,
    edges: number,
  ) {
    this.first = new Int32Array(nodes).fill(none);
    this.head = new Int32Array(2 * edges);
    this.next = new Int32Array(2 * edges);
    this.left = new Float64Array(2 * edges);
    this.tie = new Float64Array(nodes);
    this.parent = new Int32Array(nodes).fill(none);
    this.ofSink = new Uint8Array(nodes);
    this.checked = new Int32Array(nodes);
    this.distance = new Int32Array(nodes);
    this.queued = new Uint8Array(nodes);
  }

  /** What it costs to have a node on the sink's side, and on the source's. */
  tieTo(node: number, onSink: number, onSource: number): void {
    this.tie[node] += onSink - onSource;
  }

  /** What it costs to part two nodes, whichever of them is on which side. */
  join(p: number, q: number, cost: number): void {
    for (const [from, to] of [
      [p, q],
      [q, p],
    ]) {
      const arc = this.arcs++;
      this.head[arc] = to;
      this.left[arc] = cost;
      this.next[arc] = this.first[from];
      this.first[from] = arc;
    }
  }

  /** Cuts the graph as cheaply as can be. @returns 1 for each node on the source's side */
  cut(): Uint8Array {
    for (let i = 0; i < this.nodes; i++) {
      if (this.tie[i] !== 0) {
        this.ofSink[i] = this.tie[i] < 0 ? 1 : 0;
        this.parent[i] = terminal;
        this.distance[i] = 1;
        this.wake(i);
      }
    }
    let current = none;
    for (;;) {
      let node = current;
      if (node === none || this.parent[node] === none) {
        node = this.nextActive();
        if (node === none) {
          break;
        }
      }
      const bridge = this.grow(node);
      this.time++;
      if (bridge === none) {
        current = none;
        continue;
      }
      current = node;
      this.augment(bridge);
      this.adopt();
    }
    return Uint8Array.from({ length: this.nodes }, (_, i) =>
      this.parent[i] !== none && this.ofSink[i] === 0 ? 1 : 0,
    );
  }

  private wake(node: number): void {
    if (this.queued[node] === 0) {
      this.queued[node] = 1;
      this.active.push(node);
    }
  }

  private nextActive(): number {
    while (this.activeFrom < this.active.length) {
      const node = this.active[this.activeFrom++];
      this.queued[node] = 0;
      if (this.activeFrom > 65536) {
        this.active = this.active.slice(this.activeFrom);
        this.activeFrom = 0;
      }
      if (this.parent[node] !== none) {
        return node;
      }
    }
    return none;
  }

  /** What can flow along an arc away from the source, seen from a node of that tree. */
  private open(arc: number, ofSink: number): number {
    return ofSink ? this.left[arc ^ 1] : this.left[arc];
  }

  /** Grows a tree from a node. @returns an arc from the source's tree to the sink's, if they meet */
  private grow(node: number): number {
    const { head, next, parent, ofSink, distance, checked } = this;
    const sink = ofSink[node];
    for (let arc = this.first[node]; arc !== none; arc = next[arc]) {
      if (this.open(arc, sink) <= 0) {
        continue;
      }
      const other = head[arc];
      if (parent[other] === none) {
        ofSink[other] = sink;
        parent[other] = arc ^ 1;
        checked[other] = checked[node];
        distance[other] = distance[node] + 1;
        this.wake(other);
      } else if (ofSink[other] !== sink) {
        return sink ? arc ^ 1 : arc;
      } else if (checked[other] <= checked[node] && distance[other] > distance[node]) {
        // Nearer to the terminal this way.
        parent[other] = arc ^ 1;
        checked[other] = checked[node];
        distance[other] = distance[node] + 1;
      }
    }
    return none;
  }

  /** Lets as much flow as can along the path through an arc that joins both trees. */
  private augment(bridge: number): void {
    const { head, parent, left, tie } = this;
    let least = left[bridge];
    let source = head[bridge ^ 1];
    for (; parent[source] !== terminal; source = head[parent[source]]) {
      least = Math.min(least, left[parent[source] ^ 1]);
    }
    least = Math.min(least, tie[source]);
    let sink = head[bridge];
    for (; parent[sink] !== terminal; sink = head[parent[sink]]) {
      least = Math.min(least, left[parent[sink]]);
    }
    least = Math.min(least, -tie[sink]);

    left[bridge ^ 1] += least;
    left[bridge] -= least;
    for (let i = head[bridge ^ 1]; ;) {
      const arc = parent[i];
      if (arc === terminal) {
        tie[i] -= least;
        if (tie[i] <= 0) {
          this.orphan(i);
        }
        break;
      }
      left[arc] += least;
      left[arc ^ 1] -= least;
      const above = head[arc];
      if (left[arc ^ 1] <= 0) {
        this.orphan(i);
      }
      i = above;
    }
    for (let i = head[bridge]; ;) {
      const arc = parent[i];
      if (arc === terminal) {
        tie[i] += least;
        if (tie[i] >= 0) {
          this.orphan(i);
        }
        break;
      }
      left[arc ^ 1] += least;
      left[arc] -= least;
      const above = head[arc];
      if (left[arc] <= 0) {
        this.orphan(i);
      }
      i = above;
    }
  }

  private orphan(node: number): void {
    this.parent[node] = orphaned;
    this.orphans.push(node);
  }

  /** Finds new parents for nodes that lost theirs; those without any leave their tree. */
  private adopt(): void {
    for (let i = 0; i < this.orphans.length; i++) {
      this.adoptOne(this.orphans[i]);
    }
    this.orphans = [];
  }

  private adoptOne(node: number): void {
    const { head, next, parent, ofSink, distance, checked } = this;
    const sink = ofSink[node];
    let best = none;
    let nearest = Infinity;
    for (let arc = this.first[node]; arc !== none; arc = next[arc]) {
      // What flows is from the parent in the source's tree, and to it in the sink's.
      if (this.open(arc ^ 1, sink) <= 0) {
        continue;
      }
      const other = head[arc];
      if (ofSink[other] !== sink || parent[other] === none) {
        continue;
      }
      const length = this.wayFrom(other);
      if (length < nearest) {
        best = arc;
        nearest = length;
      }
    }
    if (best !== none) {
      parent[node] = best;
      checked[node] = this.time;
      distance[node] = nearest + 1;
      return;
    }
    parent[node] = none;
    for (let arc = this.first[node]; arc !== none; arc = next[arc]) {
      const other = head[arc];
      if (ofSink[other] !== sink || parent[other] === none) {
        continue;
      }
      if (this.open(arc ^ 1, sink) > 0) {
        this.wake(other);
      }
      const up = parent[other];
      if (up >= 0 && head[up] === node) {
        this.orphan(other);
      }
    }
  }

  /** How many steps a node is from its terminal; Infinity where it has lost its way. */
  private wayFrom(start: number): number {
    const { head, parent, distance, checked, time } = this;
    let length = 0;
    for (let i = start; ; i = head[parent[i]]) {
      if (checked[i] === time) {
        length += distance[i];
        break;
      }
      length++;
      if (parent[i] === terminal) {
        checked[i] = time;
        distance[i] = 1;
        break;
      }
      if (parent[i] === orphaned || parent[i] === none) {
        return Infinity;
      }
    }
    // The way is known now for all nodes on it.
    let rest = length;
    for (let i = start; checked[i] !== time; i = head[parent[i]]) {
      checked[i] = time;
      distance[i] = rest--;
    }
    return length;
  }
}
