import type { Page, TitleBand } from './model/page';

/** A band in the bar's colours, with its title where titles usually stand. */
export const newBand = ({ bar }: Pick<Page, 'bar'>, heading: string, height = 160): TitleBand => ({
  height,
  colour: bar.colour,
  ink: bar.ink,
  heading,
  align: 'left',
  high: 'middle',
  sizePx: 36,
  font: null,
  boxed: true,
  slot: null,
});
