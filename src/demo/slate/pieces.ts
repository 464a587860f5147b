import sharp, { type Sharp } from 'sharp';

/*
 * The pictures of Slate, an invented theme in greys with a little blue: header, gradient strips,
 * menu ends, buttons, corners, icons.
 */

type Rgba = readonly [number, number, number, number];
type Drawn = (x: number, y: number) => Rgba;

const clamp = (v: number): number => Math.max(0, Math.min(255, Math.round(v)));
/** Slate as light as `k` says: 1 is #3f5161. */
const slate = (k: number, alpha = 255): Rgba => [
  clamp(63 * k),
  clamp(81 * k),
  clamp(97 * k),
  clamp(alpha),
];
const noise = (x: number, y: number): number => {
  const n = Math.sin(x * 12.9898 + y * 78.233) * 43758.5453;
  return n - Math.floor(n) - 0.5;
};

function image(width: number, height: number, at: Drawn): Sharp {
  const data = Buffer.alloc(width * height * 4);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      data.set(at(x, y), (y * width + x) * 4);
    }
  }
  return sharp(data, { raw: { width, height, channels: 4 } });
}

/** Share of a px that lies in a shape, from its signed distance in px. */
const inside = (distance: number): number => Math.max(0, Math.min(1, 0.5 - distance));

/** Hills one behind the other in mist, with a sky that grows darker upwards. */
const hills: Drawn = (x, y) => {
  let k = 1.9 - y / 260;
  for (let n = 0; n < 5; n++) {
    const edge =
      70 +
      n * 26 +
      14 * Math.sin(x / (90 - n * 9) + n * 2.1) +
      7 * Math.sin(x / (31 + n * 4) + n) +
      3 * Math.sin(x / 11 + n * 3);
    if (y > edge) {
      k = 1.55 - n * 0.26 + (y - edge) * 0.0022;
    }
  }
  return slate(k + 0.03 * noise(x, y));
};

/** A rounded box's quarter: whole towards the box, see-through outside its corner. */
const corner =
  (left: boolean, top: boolean): Drawn =>
  (x, y) => {
    const cx = left ? 12 : 0;
    const cy = top ? 12 : 0;
    const d = Math.hypot(x + 0.5 - cx, y + 0.5 - cy) - 12;
    return slate(d > -1.5 ? 1.35 : 1.1, 255 * inside(d));
  };

const menuEnd =
  (left: boolean): Drawn =>
  (x, y) => {
    const u = left ? x : 13 - x;
    const d = u < 8 ? Math.hypot(u - 7.5, Math.max(0, 8 - y - 0.5)) - 8 : -1;
    return slate(1.3 - y / 80, 255 * (y > 7 || u >= 8 ? 1 : inside(d)));
  };

const button =
  (k: number): Drawn =>
  (x, y) => {
    const d =
      Math.hypot(Math.max(0, 6 - x - 0.5, x + 0.5 - 114), Math.max(0, 6 - y - 0.5, y + 0.5 - 30)) -
      6;
    return slate(k - y / 90 + (y === 0 ? 0.2 : 0), 255 * inside(d));
  };

const ring =
  (cx: number, cy: number, r: number, thick: number) =>
  (x: number, y: number): number =>
    inside(Math.abs(Math.hypot(x + 0.5 - cx, y + 0.5 - cy) - r) - thick / 2);
const stroke =
  (x0: number, y0: number, x1: number, y1: number, thick: number) =>
  (x: number, y: number): number => {
    const dx = x1 - x0;
    const dy = y1 - y0;
    const t = Math.max(
      0,
      Math.min(1, ((x + 0.5 - x0) * dx + (y + 0.5 - y0) * dy) / (dx * dx + dy * dy)),
    );
    return inside(Math.hypot(x + 0.5 - x0 - t * dx, y + 0.5 - y0 - t * dy) - thick / 2);
  };
const icon =
  (...shapes: ((x: number, y: number) => number)[]): Drawn =>
  (x, y) =>
    slate(
      0.95,
      255 *
        Math.min(
          1,
          shapes.reduce((sum, s) => Math.max(sum, s(x, y)), 0),
        ),
    );

const lossless = { compressionLevel: 9 } as const;
const palette = { palette: true, colours: 32, dither: 0 } as const;
const png = (width: number, height: number, at: Drawn): Promise<Buffer> =>
  image(width, height, at).png(lossless).toBuffer();
const indexed = (width: number, height: number, at: Drawn): Promise<Buffer> =>
  image(width, height, at).png(palette).toBuffer();
const gif = (width: number, height: number, at: Drawn): Promise<Buffer> =>
  image(width, height, at).gif({ dither: 0 }).toBuffer();
const jpeg = (width: number, height: number, at: Drawn, quality: number): Promise<Buffer> =>
  image(width, height, at).removeAlpha().jpeg({ quality }).toBuffer();

/** A mark: a jar of one stroke beside two lines that stand for words. */
const mark = icon(
  stroke(20, 20, 52, 20, 4),
  stroke(20, 20, 16, 44, 4),
  stroke(52, 20, 56, 44, 4),
  stroke(24, 58, 48, 58, 4),
  stroke(16, 44, 24, 58, 4),
  stroke(56, 44, 48, 58, 4),
  stroke(80, 28, 240, 28, 8),
  stroke(80, 48, 180, 48, 5),
);

/** Three steps of a ring that goes round: what waits, moves. */
async function waiting(): Promise<Buffer> {
  const side = 24;
  const frames = [0, 1, 2].map((n) => {
    const turn = (n * 2 * Math.PI) / 3;
    return icon(
      ring(12, 12, 8, 1.5),
      stroke(12, 12, 12 + 8 * Math.cos(turn), 12 + 8 * Math.sin(turn), 3),
    );
  });
  const data = Buffer.alloc(side * side * 3 * frames.length);
  frames.forEach((at, n) => {
    for (let i = 0; i < side * side; i++) {
      const [r, g, b, a] = at(i % side, Math.floor(i / side));
      const under = (c: number) => Math.round(255 + (a / 255) * (c - 255));
      data.set([under(r), under(g), under(b)], (n * side * side + i) * 3);
    }
  });
  const raw = { width: side, height: side * frames.length, channels: 3 as const, pageHeight: side };
  return sharp(data, { raw })
    .gif({ delay: [160, 160, 160], loop: 0 })
    .toBuffer();
}

const svg = (width: number, height: number, body: string): Buffer =>
  Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">\n  ${body}\n</svg>\n`,
  );

/** The pictures by their paths below the theme's folder. */
export async function slatePieces(): Promise<Record<string, Buffer>> {
  return {
    'images/strip.png': await png(1, 720, (_, y) => slate(1.62 - (0.62 * y) / 719)),
    'images/header.jpg': await jpeg(1020, 212, hills, 90),
    'images/page.jpg': await jpeg(
      1600,
      1000,
      (x, y) =>
        slate(
          1.15 +
            0.3 * Math.sin(x / 220 + Math.sin(y / 140)) * Math.cos(y / 190) +
            0.05 * noise(x, y),
        ),
      72,
    ),
    'images/mark.png': await indexed(260, 72, mark),
    'images/menu-left.png': await indexed(14, 34, menuEnd(true)),
    'images/menu-right.png': await indexed(14, 34, menuEnd(false)),
    'images/menu-middle.png': await png(1, 34, (_, y) => slate(1.3 - y / 80)),
    'images/button.png': await png(120, 36, button(1.2)),
    'images/button-over.png': await png(120, 36, button(1.5)),
    'images/button-small.gif': await gif(64, 22, (x, y) =>
      slate(1.2 - y / 60, (x === 0 || x === 63) && (y === 0 || y === 21) ? 0 : 255),
    ),
    'images/corner-top-left.png': await png(12, 12, corner(true, true)),
    'images/corner-top-right.png': await png(12, 12, corner(false, true)),
    'images/corner-bottom-left.png': await png(12, 12, corner(true, false)),
    'images/corner-bottom-right.png': await png(12, 12, corner(false, false)),
    'images/frame.png': await png(27, 27, (x, y) => {
      const edge = Math.min(x, y, 26 - x, 26 - y);
      return slate(edge < 3 ? 1 : 1.5, edge < 9 ? 255 : 0);
    }),
    'images/sidebar.png': await png(240, 44, (x, y) =>
      slate(2.1 + 0.06 * Math.sin((2 * Math.PI * x) / 24 + (2 * Math.PI * y) / 44)),
    ),
    'images/rule.png': await png(680, 3, (x, y) =>
      slate(1.1, y === 1 ? 255 * Math.min(1, x / 80, (679 - x) / 80) : 40),
    ),
    'images/shadow.png': await png(1020, 14, (x, y) => [
      20,
      28,
      36,
      clamp(110 * (1 - y / 14) * Math.min(1, x / 60, (1019 - x) / 60)),
    ]),
    'images/bullet.gif': await gif(8, 8, (x, y) =>
      slate(1, Math.hypot(x - 3.5, y - 3.5) < 3 ? 255 : 0),
    ),
    'images/quote.png': await png(
      40,
      32,
      icon(
        ring(10, 20, 6, 5),
        ring(28, 20, 6, 5),
        stroke(5, 18, 12, 5, 4),
        stroke(23, 18, 30, 5, 4),
      ),
    ),
    'images/search.png': await png(
      20,
      20,
      icon(ring(8.5, 8.5, 5, 2), stroke(12.5, 12.5, 17, 17, 2.5)),
    ),
    'images/feed.png': await png(
      20,
      20,
      icon(ring(3, 17, 6, 2), ring(3, 17, 12, 2), stroke(4, 16, 4.1, 16.1, 4)),
    ),
    'images/arrow-left.png': await indexed(
      16,
      16,
      icon(stroke(11, 3, 5, 8, 2.4), stroke(5, 8, 11, 13, 2.4)),
    ),
    'images/arrow-right.png': await indexed(
      16,
      16,
      icon(stroke(5, 3, 11, 8, 2.4), stroke(11, 8, 5, 13, 2.4)),
    ),
    'images/paper.webp': await image(64, 64, (x, y) => [
      clamp(248 + 4 * noise(x, y)),
      clamp(247 + 4 * noise(x, y)),
      clamp(244 + 4 * noise(x, y)),
      255,
    ])
      .webp({ lossless: true })
      .toBuffer(),
    'images/footer.jpg': await jpeg(
      1020,
      96,
      (x, y) => slate(0.95 - y / 320 + 0.02 * noise(x, y)),
      88,
    ),
    'images/footer-strip.png': await png(1, 120, (_, y) => slate(1 - (0.3 * y) / 119)),
    'images/ribbon.webp': await image(180, 48, (x, y) =>
      slate(1.25 - y / 120, 255 * inside(Math.max(-1, x - 168 + Math.abs(y - 24) / 2))),
    )
      .webp({ lossless: true })
      .toBuffer(),
    'images/ridge.svg': svg(
      600,
      40,
      '<path fill="#3f5161" d="M0 40V22C80 4 150 30 240 18S420 2 470 16s90 12 130 0V40Z"/><path fill="#2c3946" fill-opacity=".6" d="M0 40V30c90-14 200 8 320-4s190 2 280-6V40Z"/>',
    ),
    'images/letter.svg': svg(
      20,
      16,
      '<g fill="none" stroke="#3f5161" stroke-width="2"><path d="M1 1h18v14H1Z"/><path d="m1 2 9 8 9-8"/></g>',
    ),
    'images/waiting.gif': await waiting(),
  };
}
