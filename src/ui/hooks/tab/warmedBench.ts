'use client';

import { theEngine } from './engine';

/*
 * Starting the workers takes as long as loading a screen does, so it begins with the screen's script
 * and not after its first drawing. For modules of screens that draw pictures, to be imported alone.
 */
if (typeof window !== 'undefined') {
  theEngine().warm();
}
