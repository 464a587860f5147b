import { parse } from 'parse5';
import { parseSrcset, stringifySrcset } from 'srcset';
import type { Size } from '../../frame/placement';
import { attribute, elementsOf, type Element, type ParentNode } from '../tree';
import { addressesIn } from '../cssAddresses';
import { fileAttributes, lateBackground, lateFile, lateSet } from '../addressAttributes';
import {
  declaredIn,
  renamedIn,
  sheetPatches,
  type Declared,
  type Names,
  type RuleWish,
} from './sheetPatches';
import { patched, type TextPatch } from '../../files/textPatch';

/** A picture that tags of the page show. */
export interface TagWish {
  readonly key: string;
  /** Px of its file until now, and from now on. */
  readonly from: Size;
  readonly to: Size;
}

export interface DocumentWishes {
  /** For its style elements. */
  readonly rules: readonly RuleWish[];
  /** For `style` attributes that name a file. */
  readonly inTags: readonly { readonly key: string; readonly declared: readonly Declared[] }[];
  readonly tags: readonly TagWish[];
  /** Rules for a style element of its own at the end of the head; empty for none. */
  readonly styles: string;
}

const oneFile = new Set([...fileAttributes, ...lateFile, 'href', 'xlink:href']);
const setsOfPictures = ['srcset', ...lateSet];
const severalFiles = new Set([...setsOfPictures, 'imagesrcset']);
const backgrounds = new Set(lateBackground);

/** An attribute with another value; all but that stays as it is written. */
function attributePatch(
  html: string,
  element: Element,
  name: string,
  value: string,
): TextPatch | undefined {
  const at = element.sourceCodeLocation?.attrs?.[name];
  if (!at) {
    return undefined;
  }
  const raw = html.slice(at.startOffset, at.endOffset);
  const [, head, quote] = /^([^=]*=?\s*)(["']?)/.exec(raw)!;
  const around = quote || '"';
  const written = value
    .replaceAll('&', '&amp;')
    .replaceAll(around, around === '"' ? '&quot;' : '&#39;');
  return {
    from: at.startOffset + head.length,
    to: at.endOffset,
    text: `${head.includes('=') ? '' : '='}${around}${written}${around}`,
  };
}

/** Sizes and candidates of one tag that shows a picture; none for any other. */
function tagValues(element: Element, { keyOf }: Names, wish: TagWish): Map<string, string> {
  const { key, from, to } = wish;
  const value = (name: string) => attribute(element, name);
  const isIt = (address: string | undefined) => address !== undefined && keyOf(address) === key;
  const changed = new Map<string, string>();
  const own = ['src', ...lateFile].map(value).find(isIt);
  let address = own;
  for (const name of setsOfPictures) {
    const candidates = parseSrcset(value(name) ?? '');
    const named = candidates.filter(({ url }) => isIt(url));
    address ??= named[0]?.url;
    // Other candidates are of the picture that was there before.
    if (named.length > 0 && named.length < candidates.length) {
      changed.set(name, stringifySrcset(named));
    } else if (named.length === 0 && candidates.length > 0 && own !== undefined) {
      changed.set(name, stringifySrcset([{ url: own }]));
    }
  }
  if (address === undefined || element.tagName !== 'img') {
    return changed;
  }
  if (own === undefined && value('src') !== undefined) {
    changed.set('src', address);
  }
  for (const side of ['width', 'height'] as const) {
    const px = value(side);
    if (px !== undefined && /^\d+$/.test(px.trim()) && from[side] !== to[side]) {
      changed.set(side, String(Math.max(1, Math.round((Number(px) * to[side]) / from[side]))));
    }
  }
  return changed;
}

/** The value of an attribute with the addresses that files have from now on. */
function renamedValue(name: string, value: string, names: Names): string {
  const fresh = (address: string): string => {
    const key = names.keyOf(address);
    return (key === undefined ? undefined : names.renamed(key, address)) ?? address;
  };
  if (name === 'style' || (backgrounds.has(name) && /url\(/i.test(value))) {
    return patched(value, renamedIn(value, names));
  }
  if (oneFile.has(name) || backgrounds.has(name)) {
    const address = value.trim();
    return fresh(address) === address ? value : fresh(address);
  }
  if (severalFiles.has(name)) {
    const before = parseSrcset(value);
    const after = before.map((one) => ({ ...one, url: fresh(one.url) }));
    return after.every(({ url }, i) => url === before[i].url) ? value : stringifySrcset(after);
  }
  return value;
}

/** What a `style` attribute declares, with more for the files that it names. */
function styleValue(value: string, { keyOf }: Names, inTags: DocumentWishes['inTags']): string {
  const keys = addressesIn(value).map(({ address }) => keyOf(address));
  return inTags
    .filter(({ key }) => keys.includes(key))
    .reduce((text, { declared }) => patched(text, declaredIn(text, declared)), value);
}

/** Where a style element of ours goes: the end of the head, or of the document that has none. */
function stylesPatch(html: string, tree: ParentNode, styles: string): TextPatch[] {
  if (styles === '') {
    return [];
  }
  const head = [...elementsOf(tree)].find(({ element }) => element.tagName === 'head')?.element;
  const at = head?.sourceCodeLocation?.endTag?.startOffset ?? html.length;
  return [{ from: at, to: at, text: `<style>\n${styles}</style>\n` }];
}

/**
 * What changes of a page's document: addresses of files that have another name, tags that show a new
 * picture, rules in its style elements.
 */
export function documentPatches(
  html: string,
  names: Names,
  { rules, inTags, tags, styles }: DocumentWishes,
): TextPatch[] {
  const tree = parse(html, { sourceCodeLocationInfo: true });
  const patches: TextPatch[] = [];
  for (const { element } of elementsOf(tree)) {
    const changed = new Map<string, string>();
    for (const wish of tags) {
      for (const [name, value] of tagValues(element, names, wish)) {
        changed.set(name, value);
      }
    }
    for (const { name, value: before } of element.attrs) {
      const wished = changed.get(name) ?? before;
      const styled = name === 'style' ? styleValue(wished, names, inTags) : wished;
      const value = renamedValue(name, styled, names);
      const patch = value === before ? undefined : attributePatch(html, element, name, value);
      patches.push(...(patch ? [patch] : []));
    }
    if (element.tagName === 'style') {
      for (const node of element.childNodes) {
        const at = node.sourceCodeLocation?.startOffset;
        if ('value' in node && at !== undefined) {
          const css = html.slice(at, node.sourceCodeLocation!.endOffset);
          patches.push(
            ...sheetPatches(css, names, rules).map((p) => ({
              ...p,
              from: p.from + at,
              to: p.to + at,
            })),
          );
        }
      }
    }
  }
  return [...patches, ...stylesPatch(html, tree, styles)];
}

/** Media that a usual screen is always among. */
const everyScreen = /^(?:all|screen)?$/i;

/** The style sheets that a page links for every screen, in their order. */
export function sheetsLinkedIn(html: string, { keyOf }: Pick<Names, 'keyOf'>): string[] {
  return [...elementsOf(parse(html))].flatMap(({ element }) => {
    const value = (name: string) => attribute(element, name);
    const rel = (value('rel') ?? '').toLowerCase().split(/\s+/);
    const linked =
      element.tagName === 'link' &&
      rel.includes('stylesheet') &&
      !rel.includes('alternate') &&
      everyScreen.test((value('media') ?? '').trim());
    return linked ? (keyOf(value('href') ?? '') ?? []) : [];
  });
}
