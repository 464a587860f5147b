import type { BlendMode } from '../raster/blend';
import type { Tone } from '../recolour/tone';

/** #rrggbb, lower case. */
export type Hex = string;

interface LayerBase {
  readonly id: string;
  /** The owner's own name for it; empty means the kind's name is shown. */
  readonly name: string;
  readonly hidden: boolean;
  /** Left alone by the pointer and by edits of several layers. */
  readonly locked: boolean;
  /** 0..1, the strength of a wash. */
  readonly opacity: number;
  readonly blend: BlendMode;
}

/** A soft copy of the shape under it. */
export interface ShadowEffect {
  readonly kind: 'shadow';
  /** Px to the right and downwards. */
  readonly x: number;
  readonly y: number;
  /** As in CSS: twice the standard deviation of the blur, px. */
  readonly blur: number;
  /** Px the shape is grown by before it is blurred; shrunk where negative. */
  readonly spread: number;
  readonly colour: Hex;
  readonly opacity: number;
}

/** Light along the contour, fading away from it. */
export interface GlowEffect {
  readonly kind: 'glow';
  readonly side: 'outside' | 'inside';
  /** Px from the contour to where nothing is left of it. */
  readonly size: number;
  readonly colour: Hex;
  readonly opacity: number;
}

export interface OutlineEffect {
  readonly kind: 'outline';
  readonly side: 'inside' | 'centre' | 'outside';
  readonly width: number;
  readonly colour: Hex;
  readonly opacity: number;
}

/** A raised look, or a sunken one, under a light. */
export interface ReliefEffect {
  readonly kind: 'relief';
  /** Px over which the surface rises from the contour, and by how much; sunken where negative. */
  readonly depth: number;
  /** Px over which its ridges are rounded. */
  readonly softness: number;
  /** Where the light comes from, degrees clockwise from the top. */
  readonly direction: number;
  /** Height of the light over the surface, degrees. */
  readonly height: number;
  readonly highlight: Hex;
  readonly shade: Hex;
  readonly opacity: number;
}

export type Effect = ShadowEffect | GlowEffect | OutlineEffect | ReliefEffect;
export type EffectName = Effect['kind'];

/** A place of the plain surround and the colour there, px of the photograph. */
export interface SurroundSample {
  readonly x: number;
  readonly y: number;
  readonly colour: Hex;
}

/** One stroke of the brush: takes away, or brings back. */
export interface BrushStroke {
  readonly mode: 'away' | 'back';
  /** Diameter, px of the photograph. */
  readonly size: number;
  /** x, y after x, y, px of the photograph. */
  readonly points: readonly number[];
}

/** How a photograph's plain surround is made see-through. */
export interface CutOut {
  readonly samples: readonly SurroundSample[];
  /** Largest difference from a sample that is still surround: a hundred times the distance in OKLab. */
  readonly tolerance: number;
  /** Px of the photograph over which the edge fades inwards. */
  readonly softness: number;
  /** Only what hangs together with a sample's place, and not the same colour everywhere. */
  readonly joined: boolean;
  readonly strokes: readonly BrushStroke[];
}

/** Part of a photograph, whole px. */
export interface Crop {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** A photograph, or a part of one, lying at a place; the slot's edges cut it. */
export interface PhotoLayer extends LayerBase {
  readonly kind: 'photo';
  readonly assetId: string;
  readonly sourceWidth: number;
  readonly sourceHeight: number;
  /** The part of it that is used; all where there is none. */
  readonly crop: Crop | null;
  readonly cutOut: CutOut | null;
  /** Upper left corner of that part before it is turned, in slot px. */
  readonly x: number;
  readonly y: number;
  /** Slot px per photograph px, sideways. */
  readonly scale: number;
  /** Height against width, beyond the photograph's own: 1 where it is not distorted. */
  readonly stretch: number;
  /** Degrees clockwise about its middle. */
  readonly turn: number;
  readonly flipX: boolean;
  readonly flipY: boolean;
  /** Sharpening after reduction, 0..1, or as much as fits the reduction. */
  readonly sharpen: number | 'fitting';
  readonly effects: readonly Effect[];
  readonly hangs: boolean;
}

/**
 * Where a wash lies: everywhere; in a box that fades out over `soft` px around it; or from one side, whole for `full` px
 * and from there fading out until `reach` px.
 */
export type Extent =
  | { readonly type: 'all' }
  | { readonly type: 'box'; readonly x: number; readonly y: number; readonly width: number; readonly height: number; readonly soft: number }
  | { readonly type: 'side'; readonly side: Side; readonly full: number; readonly reach: number };

/** One colour over what is below: a wash, or a veil. */
export interface FillLayer extends LayerBase {
  readonly kind: 'fill';
  readonly colour: Hex;
  readonly extent: Extent;
}

export type Corner = 'topLeft' | 'topRight' | 'bottomRight' | 'bottomLeft';

/** How a fade grows from the edge inwards. */
export type FadeCurve = 'linear' | 'smooth' | 'late' | 'early';

/** Everything below fades out towards the edges: into a colour, or into see-through where there is none. */
export interface FadeLayer extends LayerBase {
  readonly kind: 'fade';
  /** Px from each side over which it fades; 0 for none. */
  readonly sides: Readonly<Record<Side, number>>;
  /** Px from each corner. */
  readonly corners: Readonly<Record<Corner, number>>;
  readonly curve: FadeCurve;
  readonly into: Hex | null;
}

export type JoinMethod = 'overlap' | 'mirror' | 'heal';
export type Axes = 'x' | 'y' | 'both';

/** Everything below is made to join with itself when it is repeated. */
export interface JoinLayer extends LayerBase {
  readonly kind: 'join';
  readonly method: JoinMethod;
  readonly axes: Axes;
  /** Px over which what is blended or healed goes over into the rest. */
  readonly band: number;
}

/** Everything below out of focus. */
export interface BlurLayer extends LayerBase {
  readonly kind: 'blur';
  /** Standard deviation, px. */
  readonly radius: number;
  /** Along which axes the picture is repeated, so that its joins stay. */
  readonly wraps: Axes | 'none';
}

export type ProfileName = 'ridge' | 'wave' | 'scallop' | 'step' | 'torn' | 'slope';

/** The profile of a section's upper edge, in one colour, seamless sideways. */
export interface ProfileLayer extends LayerBase {
  readonly kind: 'profile';
  readonly profile: ProfileName;
  readonly colour: Hex;
  readonly seed: number;
  /** How many elements lie side by side. */
  readonly count: number;
  /** Share of the slot's height that the highest of the front profile takes, 0..1. */
  readonly rise: number;
  /** Profiles behind each other; those farther back are higher and fainter. */
  readonly depths: number;
}

/** What a recolouring changes: everything below it, or only the layer right beneath. */
export type Reach = 'below' | 'beneath';

/** Brightness, contrast, saturation, warmth, greyscale and inversion. */
export interface ToneLayer extends LayerBase, Tone {
  readonly kind: 'tone';
  readonly reach: Reach;
}

/** The picture's luminance mapped onto two colours. */
export interface TwoToneLayer extends LayerBase {
  readonly kind: 'twotone';
  readonly reach: Reach;
  readonly dark: Hex;
  readonly light: Hex;
}

/** All hues turned towards that of one colour, with lightness kept. */
export interface HueLayer extends LayerBase {
  readonly kind: 'hue';
  readonly reach: Reach;
  readonly colour: Hex;
}

export type TextureName = 'grain' | 'speckle' | 'weave' | 'paper' | 'mosaic' | 'stripes' | 'dots' | 'mesh';

/** A texture over everything below; it joins with itself at the slot's edges. */
export interface TextureLayer extends LayerBase {
  readonly kind: 'texture';
  readonly texture: TextureName;
  readonly colour: Hex;
  /** About the size of one element, px. */
  readonly scale: number;
  /** 0..1. */
  readonly contrast: number;
  readonly seed: number;
}

export type TextAlign = 'left' | 'centre' | 'right';

export interface TextLayer extends LayerBase {
  readonly kind: 'text';
  /** Lines are parted by \n. */
  readonly words: string;
  /** Identifier of a font in the font list. */
  readonly font: string;
  readonly sizePx: number;
  readonly weight: number;
  readonly italic: boolean;
  /** Between letters, as a share of the size. */
  readonly spacing: number;
  /** From base line to base line, as a multiple of the size. */
  readonly lineHeight: number;
  /** Width and height of the letters, 1 for the font's own. */
  readonly stretchX: number;
  readonly stretchY: number;
  readonly colour: Hex;
  readonly align: TextAlign;
  /** Lines are broken at this width, slot px; null where only \n breaks them. */
  readonly wrap: number | null;
  /** The point the lines are aligned to, and the top of the first line; slot px, whole ones unless it is turned. */
  readonly x: number;
  readonly y: number;
  /** Degrees clockwise about that point. */
  readonly turn: number;
  readonly effects: readonly Effect[];
  readonly hangs: boolean;
  /** The words are handed over as text of the page, over the picture, and are no part of the file. */
  readonly live: boolean;
}

/** A line is a long low rectangle; a band goes across the slot from edge to edge. */
export type ShapeName = 'rectangle' | 'ellipse' | 'line' | 'band';

export interface ShapeLayer extends LayerBase {
  readonly kind: 'shape';
  readonly shape: ShapeName;
  /** Upper left corner before it is turned, slot px; of a band only its height and the middle count. */
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  /** Degrees clockwise about its middle. */
  readonly turn: number;
  /** Of the corners, px. */
  readonly radius: number;
  /** Null for a shape that is only an outline. */
  readonly fill: Hex | null;
  readonly effects: readonly Effect[];
  /** It may hang out over the slot's edges, as far as the slot's overlap allows. */
  readonly hangs: boolean;
}

export type RecolourLayer = ToneLayer | TwoToneLayer | HueLayer;

/** What a recipe may consist of: washes that lie everywhere, recolourings of everything below, textures. */
export type RecipeStep = FillLayer | RecolourLayer | TextureLayer;

/** Recolouring steps kept apart from any picture, to lay on many. */
export interface Recipe {
  readonly id: string;
  readonly name: string;
  /** From back to front; hidden ones are left out. */
  readonly steps: readonly RecipeStep[];
  /** Greys and near-whites keep their colour. */
  readonly spare: boolean;
}

/** A recipe laid on everything below it; see-through px stay as see-through as they are. */
export interface RecipeLayer extends LayerBase {
  readonly kind: 'recipe';
  readonly recipe: Recipe;
}

export type Layer = PhotoLayer | FillLayer | RecolourLayer | TextureLayer | TextLayer | ShapeLayer | FadeLayer | JoinLayer | BlurLayer | ProfileLayer | RecipeLayer;

/** Layers that lie at a place and not everywhere: they are arranged, and can have effects. */
export type ObjectLayer = PhotoLayer | TextLayer | ShapeLayer;
export type LayerKindName = Layer['kind'];

export interface GradientStop {
  /** 0 at the beginning to 1 at the end. */
  readonly at: number;
  readonly colour: Hex;
}

/** A gradient as CSS Images draws it: from edge to edge at an angle, or from the middle to the corners. */
export interface GradientGround {
  readonly type: 'gradient';
  readonly shape: 'linear' | 'radial';
  /** Degrees as in CSS: 0 upwards, 90 to the right; a radial one takes no notice of it. */
  readonly angle: number;
  /** In order, at least two. */
  readonly stops: readonly GradientStop[];
  /** Where colours are mixed. */
  readonly space: 'srgb' | 'oklch';
}

export type Ground = { readonly type: 'colour'; readonly colour: Hex } | GradientGround | { readonly type: 'none' };

export type PressFormat = 'jpeg' | 'png' | 'webp' | 'avif';

export interface PressSettings {
  readonly format: PressFormat;
  /** 1..100; a lossless file takes no notice of it. */
  readonly quality: number;
  /** Of WebP and AVIF: every level as it is. PNG always is, and JPEG never. */
  readonly lossless: boolean;
  /** Of PNG: a palette of so many colours at most, those along the borders and the theme's exactly; null for all colours. */
  readonly colours: number | null;
  /** Of JPEG and AVIF: hue and chroma for every px, or for every second one both ways. WebP with loss always halves them. */
  readonly chroma: 'full' | 'half';
  /** Of JPEG: which of the encoder's quantisation tables, 0..8. */
  readonly table: number;
}

/** How alike a file has to stay to what was drawn. */
export type Care = 'close' | 'careful' | 'light';

/** What the search for the lightest file is to hold: a likeness, or a number of bytes. */
export type Aim = { readonly by: 'care'; readonly care: Care } | { readonly by: 'bytes'; readonly bytes: number };

export interface Picture {
  readonly id: string;
  readonly ground: Ground;
  /** From back to front. */
  readonly layers: readonly Layer[];
  readonly press: PressSettings;
  readonly aim: Aim;
  /** The file for browsers that do not know the first one's format; null for the usual one. */
  readonly fallback: PressSettings | null;
  /** Alternative text. */
  readonly alt: string;
  /** It only decorates: the alternative text is empty on purpose. */
  readonly decorative: boolean;
}

/** What a slot is on the page. Headers, marks and pieces are content; the others are backgrounds of something. */
export type SlotKind = 'header' | 'background' | 'sidebar' | 'divider' | 'mark' | 'band' | 'piece';
export type Repeat = 'no-repeat' | 'repeat' | 'repeat-x' | 'repeat-y';
/** A CSS length: px, or a percentage of what the property refers to. */
export interface Length {
  readonly value: number;
  readonly unit: 'px' | '%';
}

/** `background-position`: from the left and the top. */
export interface Position {
  readonly x: Length;
  readonly y: Length;
}

/** `background-size`. */
export type BackgroundSize = 'cover' | 'contain' | { readonly x: Length | 'auto'; readonly y: Length | 'auto' };

export type Attachment = 'scroll' | 'fixed';

export type Side = 'top' | 'right' | 'bottom' | 'left';

/** One length of a sum, such as a column or the gap beside it. */
export interface ChainPart {
  readonly what: 'column' | 'gap' | 'padding' | 'border';
  readonly px: number;
}

/** Where a slot's size comes from, if it was not simply typed. */
export type Measured =
  | { readonly from: 'columns'; readonly parts: readonly ChainPart[] }
  | { readonly from: 'section'; readonly height: number; readonly share: number }
  | { readonly from: 'known'; readonly name: string }
  | { readonly from: 'picture'; readonly name: string }
  | { readonly from: 'stylesheet'; readonly file: string; readonly line: number };

/** What lies next to a side of a slot: whatever the page's plan puts there, a colour, or another slot. */
export type Beside = { readonly from: 'page' } | { readonly from: 'colour'; readonly colour: Hex } | { readonly from: 'slot'; readonly slot: string };

/** How a divider is sized on narrow screens: shares of its own width and height. */
export interface NarrowSize {
  /** Screen width below which this holds, px. */
  readonly below: number;
  /** Percent of the screen. */
  readonly width: number;
  /** Percent of the slot's height. */
  readonly height: number;
}

export interface Slot {
  readonly id: string;
  readonly name: string;
  readonly kind: SlotKind;
  readonly width: number;
  readonly height: number;
  readonly repeat: Repeat;
  readonly position: Position;
  readonly size: BackgroundSize;
  readonly attachment: Attachment;
  /** How far a header, mark or piece was moved from where the page would put it, px. */
  readonly offset: { readonly x: number; readonly y: number };
  readonly measured: Measured | null;
  /** Path of the theme's file that the picture takes the place of. */
  readonly replaces: string | null;
  /** What lies next to each side on the page; null where the picture itself goes on or nothing meets it. */
  readonly beside: Readonly<Record<Side, Beside | null>>;
  /** Px beyond the slot that layers may hang out over its edges, into the page's margin. */
  readonly overlap: Readonly<Record<Side, number>>;
  /** Of a divider: its size on narrow screens where it is another. */
  readonly narrowSize: NarrowSize | null;
  /** Another slot whose picture takes this one's place below a screen width, px. */
  readonly narrow: { readonly slot: string; readonly below: number } | null;
  /** The page takes this side's colour, which its style sheet says. */
  readonly lends: Side | null;
  /** File name without its ending. */
  readonly fileName: string;
  /** The most bytes the owner wants to spend. */
  readonly budgetBytes: number;
  /** Formats that the host takes, one at least. */
  readonly accepts: readonly PressFormat[];
  readonly pictureId: string;
}

export interface ThemeColour {
  readonly name: string;
  readonly hex: Hex;
}

export interface Theme {
  readonly colours: readonly ThemeColour[];
  readonly headingFont: string;
  readonly bodyFont: string;
}

/** A column beside the text. */
export interface Sidebar {
  readonly side: 'left' | 'right';
  readonly width: number;
  readonly slot: string | null;
}

/** A part of the page over its whole width. */
export interface Section {
  readonly height: number;
  readonly colour: Hex;
  readonly ink: Hex;
  readonly heading: string;
  readonly dividerSlot: string | null;
}

/** A picture behind the page's title. */
export interface TitleBand {
  readonly height: number;
  readonly colour: Hex;
  readonly ink: Hex;
  readonly heading: string;
  /** As wide as the content, or as the screen. */
  readonly boxed: boolean;
  readonly slot: string | null;
}

export type PageBackground = { readonly type: 'default' } | { readonly type: 'own'; readonly slot: string } | { readonly type: 'none' };

/** A page from top to bottom: bar, header, title band, body with its sidebars, sections with their dividers. Slots are named by id. */
export interface Page {
  readonly id: string;
  readonly name: string;
  /** Width of the content column; the lesser of the two where both are given. At least one is. */
  readonly content: { readonly px: number | null; readonly percent: number | null };
  readonly ground: Hex;
  readonly background: PageBackground;
  readonly bar: { readonly height: number; readonly colour: Hex; readonly ink: Hex; readonly links: readonly string[]; readonly markSlot: string | null };
  readonly headerSlot: string | null;
  readonly band: TitleBand | null;
  readonly body: { readonly height: number; readonly colour: Hex; readonly ink: Hex; readonly heading: string; readonly sidebars: readonly Sidebar[] };
  readonly sections: readonly Section[];
  /** Slots that lie freely on the page: buttons, menu ends and other pieces of the theme. */
  readonly pieces: readonly string[];
}

/** A picture at hand; `assetId` is the SHA-256 of its bytes. */
export interface ShelfItem {
  readonly assetId: string;
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly format: string;
  readonly bytes: number;
  readonly maker: string;
  /** Where it is from: a library, an address, the owner's own camera. */
  readonly source: string;
  /** Identifier in the list of licences, or the owner's own words; empty while nothing is known. */
  readonly licence: string;
  /** Day it was made or taken over, YYYY-MM-DD; empty while it is not known. */
  readonly date: string;
  /** The owner has made sure that it may be used. */
  readonly rightsChecked: boolean;
  /** Words to find it by. */
  readonly subject: string;
}

/** A screen width and how many of the owner's visitors have it; only the proportions of the shares count. */
export interface VisitorWidth {
  readonly width: number;
  readonly share: number;
}

/** Proportions of a font that show beside another's, as shares of its size. */
export interface FontFacts {
  /** Height of a small x. */
  readonly xHeight: number;
  /** Thickest part of an o against its thinnest: 1 for letters of one thickness. */
  readonly contrast: number;
}

/** A font of the owner's, stored as an asset. */
export interface OwnFont extends FontFacts {
  /** `own:` and the asset's id. */
  readonly id: string;
  readonly assetId: string;
  readonly family: string;
  readonly weights: readonly [number, number];
}

export interface NamedSize {
  readonly name: string;
  readonly width: number;
  readonly height: number;
}

/** What readings of the whole site are held to. */
export interface Limits {
  /** Px at the left and right of a picture that are to be kept clear of words. */
  readonly sideMargin: number;
  /** Least size of words on a phone, px. */
  readonly phoneText: number;
  /** Largest local contrast of a background under content, as a deviation of lightness L*. */
  readonly calm: number;
  /** The most that all pictures of a page may weigh for a visitor on a phone, bytes. */
  readonly phoneBytes: number;
}

/** What is handed over beside each slot's file. */
export interface HandOverChoices {
  /** Files of twice the size, for dense screens. */
  readonly twice: boolean;
  /** Files of half the size, for narrow screens. */
  readonly narrow: boolean;
  /** A JPEG or PNG beside a WebP or AVIF. */
  readonly fallback: boolean;
}

/** A file of a theme's folder as it came. */
export interface SetFile {
  /** Below the theme's root, with `/` between folders. */
  readonly path: string;
  readonly assetId: string;
  readonly bytes: number;
}

/** A picture of a theme that is recoloured with the others. */
export interface SetPiece extends SetFile {
  readonly width: number;
  readonly height: number;
  readonly format: string;
  /** The owner left it as it is. */
  readonly leftOut: boolean;
}

/** A theme's folder with the recipe that is laid on all its pictures. */
export interface PieceSet {
  /** Of the folder or archive it came as. */
  readonly name: string;
  readonly pieces: readonly SetPiece[];
  readonly sheets: readonly SetFile[];
  /** Handed over as they are; of a picture among them, why. */
  readonly others: readonly (SetFile & { readonly why: string })[];
  readonly recipe: Recipe;
  /** The theme's old colour and the wanted one. */
  readonly from: Hex;
  readonly to: Hex;
  /** Colours of the style sheets the owner decided on, by path and place: whether they follow, or the colour they become. */
  readonly lines: Readonly<Record<string, boolean | Hex>>;
}

/** Version of the model that this program writes. */
export const schemaVersion = 6;

export interface Site {
  readonly schemaVersion: typeof schemaVersion;
  readonly id: string;
  readonly name: string;
  readonly theme: Theme;
  readonly pages: readonly Page[];
  /** Background of every page that has none of its own. */
  readonly defaultBackground: string | null;
  readonly slots: readonly Slot[];
  readonly pictures: Readonly<Record<string, Picture>>;
  readonly shelf: readonly ShelfItem[];
  /** By width, each width once. Invented where `visitorsInvented` says so. */
  readonly visitors: readonly VisitorWidth[];
  readonly visitorsInvented: boolean;
  /** Sizes the owner wants to have at hand beside the known ones. */
  readonly ownSizes: readonly NamedSize[];
  readonly fonts: readonly OwnFont[];
  readonly limits: Limits;
  readonly handOver: HandOverChoices;
  /** Recipes the owner named and kept. */
  readonly recipes: readonly Recipe[];
  readonly set: PieceSet | null;
}
