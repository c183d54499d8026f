import type { Metadata, Viewport } from 'next';
import type { ReactNode } from 'react';
import './globals.css';
import { KeepOffline } from '@/screens/shell/keep-offline';

export const metadata: Metadata = {
  title: 'Ropeway',
  description: 'Design bench, calculator and test sheet for electric vehicle conversions.',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default function RootLayout({ children }: { children: ReactNode }) {
  return (
    <html lang="en">
      <body>
        {children}
        <KeepOffline />
      </body>
    </html>
  );
}
