/**
 * Puts what browsers fetch beside the server of the build, so that `.next/standalone` is all that a
 * machine with Node needs: `node .next/standalone/server.js` starts it.
 */
import { cpSync } from 'node:fs';

const folder = '.next/standalone';
cpSync('public', `${folder}/public`, { recursive: true });
cpSync('.next/static', `${folder}/.next/static`, { recursive: true });
