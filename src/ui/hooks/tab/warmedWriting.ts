'use client';

import { theEngine } from './engine';

/*
 * The same for screens that show what is written in the background: those workers start first, and
 * the bench's once nothing is left to write.
 */
if (typeof window !== 'undefined') {
  theEngine().warmBackground();
}
