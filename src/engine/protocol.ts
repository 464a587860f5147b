import type { CutArea } from '@/core/site/model/photoLayer';
import type { LinePoint } from '@/core/site/model/blendLayers';
import type { Box } from '@/core/arrange/box';
import type { Drawing, MissingAsset } from '@/core/compose/compose';
import type { Framing, Size } from '@/core/frame/placement';
import type { PhotoSurvey } from '@/core/frame/photoSurvey';
import type { ReadPhoto } from '@/core/frame/photos';
import type { SampleSize } from '@/core/colour/sample';
import type { Raster, Rect, Rgb } from '@/core/raster/raster';
import type { EncodedImage } from '@/core/encode/codecs';
import type { Survey, SurveyQuestions } from '@/core/readings/survey';
import type { FontReport } from '@/core/text/readFont';
import type { Hex } from '@/core/site/model/hex';
import type { ThemeColour } from '@/core/site/model/theme';
import type { TextLayer } from '@/core/site/model/objectLayers';
import type { EncodeSettings } from '@/core/site/model/picture';
import type { PieceSet } from '@/core/site/model/pieceSet';
import type { Recipe } from '@/core/site/model/recipe';
import type { TextPlacementWish } from '@/core/legibility/placeText';
import type { PageWordsReport, WordsSeen } from '@/core/legibility/pageWords';
import type { SiteCard } from '@/core/readings/siteCard';
import type { VisitorWidth } from '@/core/site/model/site';
import type { ReadingsAnswer, ReadingsAsk } from './siteReader';
import type { PackedSite } from '@/core/handover/siteFile';
import type { TypedFile } from '@/core/handover/zipFiles';
import type { OraPicture, ReadOra } from '@/core/openRaster/openRaster';
import type { Offer, Sample } from '@/core/recolour/offers';
import type { HueSelection } from '@/core/recolour/hueSelection';
import type { RecolouredSheets, SheetRecolourInput } from '@/core/set/recolourSheets';
import type { layingPatches } from '@/core/ownPage/cssAddresses';
import type { LoneRule } from '@/core/theme/loneRules';
import type { Spans } from '@/core/files/spans';
import type { PackedRecolouredSheets } from './packedRecolouredSheets';
import type { LineContrast } from '@/core/set/sheetLine';
import type { HarmonyAsked, HarmonyLaid } from '@/core/set/harmonyOnSheets';
import type { WordsCompared } from '@/core/set/lostContrast';
import type { Match, MatchedPart } from '@/core/recolour/match';
import type { BlendMode } from '@/core/raster/blend';
import type { OpenedSet } from '@/core/set/openSet';
import type { Recoloured } from '@/core/set/recolourFile';
import type { SetHanded } from '@/core/set/produce';
import type { SetSheets } from '@/core/set/sheets';
import type { TrialResult, Trial, TrialPart, TrialSubject } from '@/core/lightest/trial';
import type { PackedFile } from '@/core/files/unzip';
import type { PageColour } from '@/core/ownPage/look';
import type { StraightEdges } from '@/core/ownPage/picturePointing';
import type { RuleText } from '@/core/ownPage/ruleText';
import type { PageSurvey } from '@/core/ownPage/survey';
import type { OpenedPage } from '@/core/ownPage/openPages';
import type { OpenedTheme, ThemeFile } from '@/core/theme/openTheme';

/** A piece of a picture to put on the screen. */
export interface Frame {
  readonly width: number;
  readonly height: number;
  /** The part that changed, and its pixels; an empty one when nothing did. */
  readonly changed: Rect;
  readonly pixels: Uint8ClampedArray<ArrayBuffer>;
  /** Nothing outside the focus still waits to be drawn. */
  readonly complete: boolean;
  /** Something in it was drawn roughly, because it is in hand. */
  readonly rough: boolean;
  readonly boxes: Readonly<Record<string, Box>>;
  readonly missing: readonly MissingAsset[];
  /** Time the worker spent on it. */
  readonly ms: number;
}

/** A photo that is looked at. */
export interface LookedAt {
  readonly assetId: string;
  /** Of the photo, px; where it is not said all of it is looked at, however large it is. */
  readonly size?: Size;
}

/** What the render worker can be asked. A view is one place on the screen that shows a picture. */
export type RenderCalls = {
  /** Answers once it is started. */
  ready: { ask: Record<never, never>; answer: null };
  frame: { ask: { view: string; drawing: Drawing; whole: boolean; focus?: Rect }; answer: Frame };
  /** What a view will need, asked before it is drawn for the first time. */
  lacking: { ask: { view: string; drawing: Drawing }; answer: readonly MissingAsset[] };
  /** Names the assets that had to make room. */
  asset: {
    ask: { assetId: string; raster: Raster; mipLevel: number };
    answer: readonly string[];
  };
  font: { ask: { assetId: string; bytes: Uint8Array<ArrayBuffer> }; answer: null };
  pixels: {
    ask: { drawing: Drawing };
    answer: { raster: Raster; missing: readonly MissingAsset[] };
  };
  /**
   * What a photo shows of itself: its best parts for a frame's shape, and its main colours; null
   * while the photo is not there.
   */
  surveyPhoto: { ask: LookedAt & { frame: Size }; answer: PhotoSurvey | null };
  /** The part of a photo that a slot shows at first; null while the photo is not there. */
  firstFrame: { ask: LookedAt & { frame: Size }; answer: Framing | null };
  /** A thing in a photo, cut out by a loop around it; null while the photo is not there. */
  cutByLoop: {
    ask: { assetId: string; loop: readonly number[] };
    answer: { area: CutArea | null } | null;
  };
  /** Where a new text lies best on a drawing, and itself there. */
  placeText: {
    ask: { drawing: Drawing; text: TextLayer; wish: TextPlacementWish };
    answer: TextLayer;
  };
  /** Mean colour of a square of a photo's own px; null outside of it, and while it is not there. */
  sample: { ask: { assetId: string; x: number; y: number; size: SampleSize }; answer: Rgb | null };
  /** What is measured of the drawing and not of its file; what is missing is not waited for. */
  survey: { ask: { drawing: Drawing; questions: SurveyQuestions }; answer: Survey };
  close: { ask: { view: string }; answer: null };
};

/** What the codec worker can be asked. */
export type CodecCalls = {
  /** Decodes all of a photo, and answers as much as is kept. */
  read: { ask: { bytes: Uint8Array }; answer: ReadPhoto };
  /** @param mipLevel how often it is made half as large along each side; 0 if not said */
  decode: { ask: { bytes: Uint8Array; mipLevel?: number }; answer: Raster };
  /** A picture as large as fits into some room, and not larger than it is; for being looked at. */
  shrink: { ask: { bytes: Uint8Array; room: Size }; answer: Raster };
  press: {
    ask: { raster: Raster; settings: EncodeSettings; pinned: readonly Hex[] };
    answer: EncodedImage;
  };
  encode: {
    ask: { raster: Raster; settings: EncodeSettings; pinned: readonly Hex[] };
    answer: Uint8Array<ArrayBuffer>;
  };
  /** Starts the codecs; where many files are to be written, has them write a few first. */
  ready: { ask: { forWriting: boolean }; answer: null };
  /** Opens a trial of a picture; one that was open is forgotten. */
  trial: { ask: { subject: TrialSubject }; answer: Trial['area'] };
  tryOut: { ask: { settings: EncodeSettings; part: TrialPart }; answer: TrialResult };
  patch: { ask: { settings: EncodeSettings | null }; answer: Raster };
  recolour: {
    ask: { format: string; bytes: Uint8Array<ArrayBuffer>; recipe: Recipe; wantsEnds: boolean };
    answer: Recoloured;
  };
};

/** What the theme worker can be asked. */
/** What is seen in a picture of a page. */
export interface PagePicture {
  readonly colours: readonly PageColour[];
  readonly edges: StraightEdges;
}

interface NamedFile {
  readonly name: string;
  readonly bytes: Uint8Array;
}

export type ThemeCalls = {
  open: { ask: { files: readonly ThemeFile[] }; answer: OpenedTheme };
  pages: { ask: { files: readonly PackedFile[] }; answer: readonly OpenedPage[] };
  /** A survey as it was kept. */
  survey: { ask: { text: string }; answer: PageSurvey };
  /** Which rules name files in the texts of style sheets. */
  rules: { ask: { sheets: readonly string[] }; answer: readonly (readonly RuleText[])[] };
  /** What lays a style sheet out by the addresses of a page. */
  layingPatches: {
    ask: { came: string; frozen: string };
    answer: ReturnType<typeof layingPatches>;
  };
  /** Which rules can be left out of the texts of style sheets. */
  loneRules: { ask: { sheets: readonly string[] }; answer: readonly (readonly LoneRule[])[] };
  /** What can be seen in a picture of a page. */
  picture: { ask: { raster: Raster }; answer: PagePicture };
  /** Colours of a style sheet, or of design tokens. */
  colours: { ask: NamedFile; answer: readonly ThemeColour[] };
  /** Visitors by the width of their screens. */
  visitors: { ask: NamedFile; answer: readonly VisitorWidth[] };
  font: { ask: NamedFile; answer: FontReport };
  /** The upper outline of what a picture shows; null where nothing stands out. */
  outline: { ask: { raster: Raster }; answer: readonly LinePoint[] | null };
};

/** What the worker of bulk work can be asked. */
export type BulkCalls = {
  /** How words of a page stand off what it paints behind them. */
  words: { ask: { seen: WordsSeen; colours: readonly Hex[] }; answer: PageWordsReport };
  compare: { ask: { before: WordsSeen; after: WordsSeen }; answer: WordsCompared };
  /** A stored site, checked, with its readings. */
  card: { ask: { stored: unknown }; answer: SiteCard };
  readings: { ask: ReadingsAsk; answer: ReadingsAnswer };
  zip: { ask: { files: readonly TypedFile[] }; answer: Uint8Array<ArrayBuffer> };
  packSite: { ask: { packed: PackedSite }; answer: Uint8Array<ArrayBuffer> };
  /** Read where it is unpacked, so that its bytes are not in the page. */
  unpackSite: { ask: { name: string; file: Blob }; answer: PackedSite };
  packPicture: {
    ask: { picture: OraPicture; merged: Uint8Array; thumbnail: Uint8Array };
    answer: Uint8Array<ArrayBuffer>;
  };
  unpackPicture: { ask: { name: string; bytes: Uint8Array<ArrayBuffer> }; answer: ReadOra };
  resize: { ask: { raster: Raster; width: number; height: number }; answer: Raster };
  difference: { ask: { drawn: Raster; file: Raster; gain: number; under: Hex }; answer: Raster };
  /** The strength of a wash that brings what lies below it closest to a colour. */
  match: {
    ask: { raster: Raster; wash: { colour: Rgb; mode: BlendMode }; wanted: Rgb; part: MatchedPart };
    answer: Match | null;
  };
};

/** A piece as small as a list shows it. */
export interface Preview {
  readonly assetId: string;
  readonly raster: Raster;
}

/** One way to the wanted colour, with what it makes of some pieces. */
export interface ShownOffer {
  readonly offer: Offer;
  /**
   * CIEDE2000 that is left over at the pieces that have the old colour; undefined where none has.
   */
  readonly left:
    { readonly mean: number; readonly worst: number; readonly pieces: number } | undefined;
  readonly previews: readonly Preview[];
}

/**
 * What the worker of sets can be asked. It knows the pieces that were handed over, by their assets.
 */
export type SetCalls = {
  open: { ask: { files: readonly PackedFile[] }; answer: OpenedSet };
  /** Reads style sheets, and what they say each piece is for. */
  sheets: {
    ask: {
      files: readonly PackedFile[];
      pieces: readonly { path: string; width: number; height: number }[];
    };
    answer: SetSheets;
  };
  /** What is handed over of a set, from its files as they came and those that were written. */
  handed: {
    ask: {
      set: PieceSet;
      originals: ReadonlyMap<string, Uint8Array<ArrayBuffer>>;
      written: ReadonlyMap<string, Recoloured>;
      followed: PackedRecolouredSheets;
      all: boolean;
    };
    answer: readonly SetHanded[];
  };
  /** Takes a decoded piece over; answers its main colours, and which pieces had to make room. */
  piece: {
    ask: { assetId: string; raster: Raster };
    answer: { readonly samples: readonly Sample[]; readonly gone: readonly string[] };
  };
  /**
   * Pieces as a list shows them, recoloured or as they are; those it does not know are left out.
   */
  previews: {
    ask: { recipe: Recipe | null; assetIds: readonly string[] };
    answer: readonly Preview[];
  };
  /** A raster of at most so many px; smaller ones come back as they are. */
  smaller: { ask: { raster: Raster; most: number }; answer: Raster };
  /** All px of a raster, recoloured; `scale` says how much smaller it is than its piece. */
  whole: { ask: { recipe: Recipe; raster: Raster; scale: number }; answer: Raster };
  offers: {
    ask: {
      from: Hex;
      to: Hex;
      reach: HueSelection;
      assetIds: readonly string[];
      shown: readonly string[];
    };
    answer: readonly ShownOffer[];
  };
};

/** What style sheets follow by. */
export interface SheetRecolourRequest {
  readonly set: PieceSet;
  readonly sheets: SheetRecolourInput['sheets'];
  readonly samples: SheetRecolourInput['samples'];
  readonly ends: SheetRecolourInput['ends'];
}

/** The same outside of rules that a page has nothing for. */
export interface PartialSheetRecolourRequest extends SheetRecolourRequest {
  readonly idle: ReadonlyMap<string, Spans>;
}

export type SheetCalls = {
  follow: { ask: SheetRecolourRequest; answer: PackedRecolouredSheets };
  followBeside: { ask: PartialSheetRecolourRequest; answer: RecolouredSheets['patches'] };
  contrasts: { ask: SheetRecolourRequest; answer: ReadonlyMap<string, LineContrast> };
  harmony: { ask: HarmonyAsked; answer: HarmonyLaid };
};

export type Calls = Record<string, { ask: unknown; answer: unknown }>;

export type Request<C extends Calls> = {
  [K in keyof C]: { readonly id: number; readonly call: K; readonly ask: C[K]['ask'] };
}[keyof C];

export type Reply =
  | { readonly id: number; readonly ok: true; readonly answer: unknown }
  | {
      readonly id: number;
      readonly ok: false;
      readonly message: string;
      /** It is for people. */
      readonly isRefusal: boolean;
      /** The worker can do nothing more. */
      readonly isSpent: boolean;
    };
