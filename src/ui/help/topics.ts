import { createStore } from 'zustand/vanilla';
import type { Command } from '../shared/commands';

/** What a panel is for, in two sentences, with a picture of it from the sample. */
export interface Topic {
  readonly title: string;
  readonly says: string;
}

/** Pictures lie under `public/help`, called as the topic; `scripts/helpPictures.mts` takes them. */
export const topics = {
  slots: {
    title: 'Slots on the page',
    says: 'Each place for a picture has a number, an exact size and what was found there. Click one to open its bench; drag on the chart above to see the page on other screens.',
  },
  colours: {
    title: 'Theme colours',
    says: 'The colours of your theme, by name; every picture, veil and title is offered these first. “Go together” finds sets and fonts that fit, “Colours” changes them by hand.',
  },
  findings: {
    title: 'Findings',
    says: 'All that was measured on this site and is not as it should be, the worst first. “Why” says what was measured, “Put right” mends it in one step that can be undone.',
  },
  page: {
    title: 'Page layout',
    says: 'How your page is built, from the bar at its top to its sections. Give it your theme’s figures, and every picture is measured in the right place.',
  },
  visitors: {
    title: 'Visitors',
    says: 'The share of your visitors by the width of their screens. It decides which widths count most, and can be read from a file of your statistics.',
  },
  size: {
    title: 'How big',
    says: 'The file will have exactly these pixels. Where the picture was laid already, it goes along when the size changes.',
  },
  part: {
    title: 'Which part',
    says: 'Drag the photo until the right part lies in the slot, or take one of those that are offered. What must not be cut lies inside the dashed lines.',
  },
  colour: {
    title: 'What colour',
    says: 'A wash lays one colour over the photo, two-tone makes it of two, and tone changes light and warmth. Each lies as a layer and can be taken away at any time.',
  },
  top: {
    title: 'What on top',
    says: 'Words, logos and shapes lie over the photo and are moved on it directly. A shadow or a relief follows the sun at the picture’s border.',
  },
  blend: {
    title: 'Does it blend',
    says: 'Edges, joins and words are measured against the page that really lies beside them. Each way to make them fit is tried first and says what it costs.',
  },
  heavy: {
    title: 'How heavy',
    says: 'The lightest file that still looks the same is searched for, in every format. Point at one in the chart to see it on the page before you take it.',
  },
  file: {
    title: 'Hand over',
    says: 'The finished file with its name, its lines for the page and its alternative text. Download it, copy it, or hand over the whole site at once.',
  },
  layers: {
    title: 'Layers',
    says: 'What the picture is made of, from back to front. Click a card to change that layer; drag it to another place.',
  },
  readings: {
    title: 'Readings',
    says: 'What is measured of this picture, the worst first: it holds, is to be looked at, or fails. “Put right” mends one, and “Put right all” shows the picture before and after first.',
  },
  shelf: {
    title: 'Shelf',
    says: 'Your pictures and those of the library, each with its maker, source and licence. Use one in a slot from here, or fetch another.',
  },
  recolour: {
    title: 'Recolour a set',
    says: 'All pieces of a theme are given other colours by one recipe, so that they stay alike. The lines of the style sheet change with them.',
  },
  archive: {
    title: 'Hand over the site',
    says: 'All files, style sheet lines, markup and credits of this site, in one archive. “Rehearse” serves the finished pages first, as a host would.',
  },
} as const satisfies Readonly<Record<string, Topic>>;

export type TopicName = keyof typeof topics;

export interface Asked {
  readonly topic: TopicName;
  /** What it was asked at; none where it was asked from the list of commands. */
  readonly at: HTMLElement | undefined;
}

/** The panel that is asked about, if one is. */
export const help = createStore<{ readonly asked: Asked | undefined }>(() => ({
  asked: undefined,
}));

export const askHelp = (topic: TopicName, at?: HTMLElement): void =>
  help.setState({ asked: { topic, at } });
export const closeHelp = (): void => help.setState({ asked: undefined });

/** One command for each panel, so that it is found by asking for it. */
export const topicCommands = (): Command[] =>
  (Object.keys(topics) as TopicName[]).map((topic) => ({
    id: `help ${topic}`,
    label: `Help: ${topics[topic].title.toLowerCase()}`,
    run: () => askHelp(topic),
  }));
