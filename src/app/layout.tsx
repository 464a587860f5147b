import '@fontsource-variable/archivo/standard.css';
import '@fontsource-variable/spline-sans-mono/wght.css';
import type { Metadata, Viewport } from 'next';
import type { ReactNode } from 'react';
import { Frame } from '@/ui/shared/Frame';
import './globals.css';

export const metadata: Metadata = {
  title: 'Soyez',
  description: 'Page pictures, exact to the pixel and at home in their page.',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default function RootLayout({ children }: { children: ReactNode }) {
  return (
    <html lang="en">
      <body>
        <Frame>{children}</Frame>
      </body>
    </html>
  );
}
