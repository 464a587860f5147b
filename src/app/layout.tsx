import '@fontsource-variable/archivo/standard.css';
import '@fontsource-variable/spline-sans-mono/wght.css';
import type { Metadata, Viewport } from 'next';
import { connection } from 'next/server';
import type { ReactNode } from 'react';
import { Frame } from '@/ui/shared/Frame';
import './globals.css';

export const metadata: Metadata = {
  title: 'Soyez',
  description: 'Page pictures, exact to the pixel and at home in their page.',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  // Its scripts have a nonce, which is another for each request.
  await connection();
  return (
    <html lang="en">
      <body>
        <Frame>{children}</Frame>
      </body>
    </html>
  );
}
