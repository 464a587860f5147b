/** A name that every host takes: lower case letters, digits and hyphens. */
export function safeName(words: string): string {
  const plain = words
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase();
  return plain.replace(/[^a-z0-9]+/g, '-').replace(/^-|-$/g, '') || 'picture';
}
