/*
 * What documents and workers may do, as browsers are told it with every answer (Content Security
 * Policy Level 3).
 */

const policyWith = (scripts: string): string =>
  [
    "default-src 'self'",
    `script-src ${scripts}`,
    "style-src 'self' 'unsafe-inline' blob:",
    "img-src 'self' blob: data:",
    "font-src 'self' blob: data:",
    "connect-src 'self' blob:",
    "worker-src 'self' blob:",
    // Pages of the owner's: frames, style sheets and fonts, under a stricter policy of their own.
    "frame-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'self'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');

/** While it is developed, React makes code out of text to tell where errors came from. */
const developed = process.env.NODE_ENV === 'development' ? " 'unsafe-eval'" : '';

/**
 * Of a document: the scripts with its nonce run, and what they load; no other in it does, whoever
 * put it there, nor a file of ours that is named in it.
 * @param nonce new with every document
 */
export const documentPolicy = (nonce: string): string =>
  policyWith(`'self' 'nonce-${nonce}' 'strict-dynamic' 'wasm-unsafe-eval'${developed}`);

/** Of what is no document; shown as one all the same, it runs nothing of what stands in it. */
export const filePolicy = policyWith("'self' 'wasm-unsafe-eval'");

/**
 * A worker takes the policy of its own script's response, and the codecs generate code when they
 * start.
 */
export const workerPolicy = policyWith("'self' 'unsafe-eval'");
