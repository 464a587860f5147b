import { openMimePage } from './mime';

/** The text of a page's document that came as quoted-printable, as bytes. */
function documentOf(body: string, newline = '\r\n'): string {
  const lines = [
    'MIME-Version: 1.0',
    'Content-Type: multipart/related; boundary="b"',
    '',
    '--b',
    'Content-Type: text/html',
    'Content-Transfer-Encoding: quoted-printable',
    'Content-Location: https://clay.example/',
    '',
    body,
    '--b--',
    '',
  ];
  const whole = Buffer.from(lines.join(newline), 'latin1');
  const { parts } = openMimePage('a.mhtml', new Uint8Array(whole));
  return Buffer.from(parts[0].bytes).toString('latin1');
}

test('quoted-printable: soft ends join, blanks before an end go, and ends stay as they are (RFC 2045, 6.7)', () => {
  expect(documentOf('one=\r\ntwo =\t \r\nthree \t\r\nfour=20')).toBe('onetwo three\r\nfour ');
  expect(documentOf('a=3D1 \nb=\nc', '\n')).toBe('a=1\nbc');
});

test('only blanks and tabs are padding: the last byte of a letter is not, whatever it is', () => {
  // C3 A0 is à in UTF-8; A0 alone would be a space in Latin-1.
  expect(documentOf('voil\u00c3\u00a0\r\n\u00c3\u00a0 ')).toBe('voil\u00c3\u00a0\r\n\u00c3\u00a0');
});
