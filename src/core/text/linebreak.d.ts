/**
 * The part of the package `linebreak` that is used: break opportunities by Unicode Standard Annex
 * 14.
 */
declare module 'linebreak' {
  export default class LineBreaker {
    constructor(text: string);
    nextBreak(): { position: number; required: boolean } | null;
  }
}
