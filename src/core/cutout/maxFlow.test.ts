import { randomRuns } from '@/core/randomRuns.fixture';
import fc from 'fast-check';
import { FlowGraph } from './maxFlow';

interface Small {
  readonly nodes: number;
  readonly ties: readonly (readonly [number, number])[];
  readonly edges: readonly (readonly [number, number, number])[];
}

const small: fc.Arbitrary<Small> = fc.integer({ min: 1, max: 9 }).chain((nodes) =>
  fc.record({
    nodes: fc.constant(nodes),
    ties: fc.array(fc.tuple(fc.integer({ min: 0, max: 20 }), fc.integer({ min: 0, max: 20 })), {
      minLength: nodes,
      maxLength: nodes,
    }),
    edges: fc.array(
      fc.tuple(
        fc.integer({ min: 0, max: nodes - 1 }),
        fc.integer({ min: 0, max: nodes - 1 }),
        fc.integer({ min: 0, max: 15 }),
      ),
      { maxLength: 24 },
    ),
  }),
);

/** What a cut costs; bit i of `sides` says that node i is on the source's side. */
const costOf = ({ ties, edges }: Small, side: (i: number) => boolean): number =>
  ties.reduce((sum, [onSink, onSource], i) => sum + (side(i) ? onSource : onSink), 0) +
  edges.reduce((sum, [p, q, cost]) => sum + (side(p) === side(q) ? 0 : cost), 0);

function cutOf({ nodes, ties, edges }: Small): Uint8Array {
  const graph = new FlowGraph(nodes, edges.length);
  ties.forEach(([onSink, onSource], i) => graph.tieTo(i, onSink, onSource));
  edges.forEach(([p, q, cost]) => graph.join(p, q, cost));
  return graph.cut();
}

test('no cut of a small graph is cheaper than the one that is found: all are tried', () => {
  fc.assert(
    fc.property(small, (graph) => {
      const found = cutOf(graph);
      const own = costOf(graph, (i) => found[i] === 1);
      for (let sides = 0; sides < 1 << graph.nodes; sides++) {
        expect(costOf(graph, (i) => ((sides >> i) & 1) === 1)).toBeGreaterThanOrEqual(own);
      }
    }),
    { numRuns: randomRuns(400) },
  );
});

test('a grid with a cheap seam is cut along it', () => {
  const [width, height] = [60, 40];
  const graph = new FlowGraph(width * height, 2 * width * height);
  const seam = (y: number) => 30 + Math.round(8 * Math.sin(y / 5));
  for (let y = 0; y < height; y++) {
    graph.tieTo(y * width, 1e6, 0);
    graph.tieTo(y * width + width - 1, 0, 1e6);
    for (let x = 0; x < width; x++) {
      if (x + 1 < width) {
        graph.join(y * width + x, y * width + x + 1, x + 1 === seam(y) ? 0.01 : 10);
      }
      if (y + 1 < height) {
        graph.join(y * width + x, (y + 1) * width + x, 0.001);
      }
    }
  }
  const side = graph.cut();
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      expect(side[y * width + x]).toBe(x < seam(y) ? 1 : 0);
    }
  }
});
