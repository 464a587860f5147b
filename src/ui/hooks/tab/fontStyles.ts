/** Fonts for words drawn by the page itself: cards, the font list, headings of the plan. */
export { fontStyles } from '@/engine/fontFaces';
